import { z } from 'zod';
import { fileNode } from '@/core/links/graph';
import { plural } from '@/core/text/plural';
import { spellBytes } from '@/core/text/spell-bytes';
import { defineCheck } from '@/core/checks/check/check';

export const unpackedArchive = defineCheck({
  id: 'orphan.unpacked-archive',
  title: 'Archives that were unpacked',
  urgency: 'tidy',
  remedyKind: 'safe',
  needs: ['links', 'reached'],
  options: z.object({
    share: z
      .number()
      .min(0.1)
      .max(1)
      .default(0.5)
      .describe('More than this share of its bytes must stand unpacked in the shell'),
  }),
  messages: { archive: '“{name}” was unpacked: {share} % of it stands in the shell, file by file' },
  things: ['archive that was unpacked', 'archives that were unpacked'],
  page: {
    means: 'Most bytes of an archive also stand unpacked in the shell, file by file equal in content.',
    why: 'It is what an upload leaves behind. It doubles the shell, and it holds whatever was taken out since, answer keys included.',
    example: '“hand-outs.zip” holds the 61 hand-outs that lie beside it.',
    remedy: 'Deletes the archive; all that counts stands beside it.',
    notWhen: 'The archive is linked or placed for students to download.',
  },
  notApplicable: (shell) =>
    shell.files.some((f) => f.packed !== null) ? null : 'there is no archive that can be read',
  *find({ shell, facts, options }) {
    const unpacked = new Set(shell.files.filter((f) => f.packed === null).map((f) => f.sha256));
    for (const entry of shell.entries) unpacked.add(entry.sha256);
    for (const file of shell.files) {
      if (!file.packed?.length || facts.reached.has(fileNode(file.path))) continue;
      const all = file.packed.reduce((n, p) => n + p.bytes, 0);
      const there = file.packed.filter((p) => unpacked.has(p.sha256));
      const bytes = there.reduce((n, p) => n + p.bytes, 0);
      if (all === 0 || bytes <= all * options.share) continue;
      const missing = file.packed.filter((p) => !unpacked.has(p.sha256));
      yield {
        message: { id: 'archive', params: { name: file.path, share: Math.floor((100 * bytes) / all) } },
        subjects: [{ type: 'file', ref: file.path }],
        evidence: [
          {
            label: 'Stands unpacked',
            value: `${there.length} of ${plural(file.packed.length, 'file')}, ${spellBytes(bytes)} of ${spellBytes(all)}`,
            where: file.path,
          },
          { label: 'Size', value: spellBytes(file.bytes) },
          ...missing.slice(0, 5).map((m) => ({ label: 'Only in the archive', value: m.name })),
        ],
        remedy: { action: 'delete', targets: [file.path], params: {}, kind: 'safe' },
        covers: [{ refs: [file.path], checks: ['orphan.unused-file'] }],
      };
    }
  },
});

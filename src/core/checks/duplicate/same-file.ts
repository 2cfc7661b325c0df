import { elementAt, firstWhere } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { Item, ShellFile } from '@/core/shell/model';
import type { ContentId, Sha256 } from '@/core/refs/refs';
import { spellBytes } from '@/core/text/spell-bytes';
import { defineCheck } from '@/core/checks/check/check';
import { chooseKeeper, fileCandidate } from '@/core/checks/check/keeper';
import { keepOne } from '@/core/checks/check/remedies';

export const sameFile = defineCheck({
  id: 'duplicate.same-file',
  title: 'Same file',
  urgency: 'tidy',
  remedyKind: 'safe',
  needs: ['outline', 'links'],
  options: z.object({}),
  messages: {
    two: '“{name}” is byte for byte the same file as “{kept}”',
    many: '“{kept}” is stored {count} times under different names',
  },
  things: ['file stored more than once', 'files stored more than once'],
  page: {
    means: 'Two or more files have the same bytes under different paths.',
    why: 'They fill the shell, and when one is replaced by a newer version, pages go on showing the other.',
    example: 'site-map.pdf in Week 2 and site-map (1).pdf in uploads are the same bytes.',
    remedy: 'Deletes all but one and leads every link to the one that stays.',
    notWhen: 'The files are empty (zero bytes).',
  },
  notApplicable: (shell) => (shell.files.length > 1 ? null : 'there are fewer than two files'),
  *find({ shell, facts }) {
    const shownBy = new Map<ContentId, Item[]>();
    for (const item of shell.items) if (item.content) collect(shownBy, item.content, item);
    const contents = new Map(shell.contents.map((c) => [c.id, c]));
    const place = new Map(shell.files.map((f, i) => [f.path, i]));
    const groups = new Map<Sha256, ShellFile[]>();
    for (const file of shell.files) {
      if (file.bytes === 0) continue;
      const list = groups.get(file.sha256);
      if (list) list.push(file);
      else groups.set(file.sha256, [file]);
    }
    for (const group of groups.values()) {
      if (group.length < 2) continue;
      const choice = chooseKeeper(
        group.map((f) => fileCandidate(facts.links, f, placesOf(f), facts.outline, place.get(f.path) ?? 0)),
      );
      const kept = firstWhere(group, (f) => f.path === choice.keep);
      const others = group.filter((f) => f !== kept);
      const params = { name: elementAt(others, 0).path, kept: kept.path, count: group.length };
      yield {
        message: group.length === 2 ? { id: 'two', params } : { id: 'many', params },
        subjects: group.map((f) => ({ type: 'file', ref: f.path })),
        keep: kept.path,
        evidence: [
          { label: 'Bytes wasted', value: spellBytes(kept.bytes * others.length) },
          { label: 'Why this one stays', value: choice.rule, where: kept.path },
          { label: 'SHA-256 of each', value: kept.sha256 },
          ...others.map((f) => ({ label: 'Goes', value: f.path, where: f.path })),
        ],
        remedy: keepOne(
          kept.path,
          others.map((f) => f.path),
          'safe',
        ),
      };
    }

    function placesOf(file: ShellFile): Item[] {
      return contents.get(file.content)?.href === file.path ? (shownBy.get(file.content) ?? []) : [];
    }
  },
});

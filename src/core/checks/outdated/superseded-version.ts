import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import { targetNodes, countLinksTo, fileNode } from '@/core/links/graph';
import { english } from '@/core/text/english';
import { titleKey } from '@/core/text/normalise';
import { nameWords } from '@/core/text/name-words';
import { defineCheck } from '@/core/checks/check/check';
import { compareVersions, versionOf, type Version } from './versions';
import type { SubjectRef } from '@/core/checks/finding/finding';
import { keepOne } from '@/core/checks/check/remedies';

interface Named {
  readonly subject: SubjectRef;
  readonly title: string;
  readonly version: Version;
  readonly linksTo: number;
}

export const supersededVersion = defineCheck({
  id: 'outdated.superseded-version',
  title: 'An older version',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['outline', 'links'],
  options: z.object({
    years: z.int().min(3).default(3).describe('So many years side by side are a series, not versions'),
  }),
  messages: {
    older: '“{title}” is an older version of “{newest}”',
    many: '{count} older versions of “{newest}” are still there',
  },
  things: ['older version of something', 'older versions of something'],
  page: {
    means:
      'Among items of one kind, or files of one type, names are the same but for marks of a version: v1 and v2, rev B, draft and final, a year or date, “old”.',
    why: 'Students open the first that they find, and it is the wrong one.',
    example: '“Field guide v1.pdf” beside “Field guide v2.pdf”.',
    remedy:
      'Deletes the older ones; links to them lead to the newest. Hide them instead where somebody may still need them.',
    notWhen:
      'The numbers are parts of a series, such as Lab 1 and Lab 2, or three or more years stand side by side.',
  },
  notApplicable: (shell) => (shell.items.length + shell.files.length > 1 ? null : 'there are not two things'),
  *find({ shell, facts, options }) {
    const groups = new Map<string, Named[]>();
    const add = (key: string, named: Named) => collect(groups, key, named);
    for (const item of shell.items) {
      const { base, version } = versionOf(item.title, english);
      if (base === '' || item.kind === 'module' || item.kind === 'heading' || item.kind === 'announcement')
        continue;
      add(`${item.kind} ${titleKey(base)}`, {
        subject: { type: 'item', ref: item.ref },
        title: item.title,
        version,
        linksTo: targetNodes(shell, item.content).reduce((n, node) => n + countLinksTo(facts.links, node), 0),
      });
    }
    const shown = new Set(shell.items.map((i) => i.content));
    for (const file of shell.files) {
      // A file that an item shows is judged by the item.
      if (shown.has(file.content) || /^(image|font|audio|video)\/|css|javascript/.test(file.mediaType))
        continue;
      const { base, version } = versionOf(nameWords(file.path), english);
      if (base !== '')
        add(`file ${file.mediaType} ${titleKey(base)}`, {
          subject: { type: 'file', ref: file.path },
          title: file.path,
          version,
          linksTo: countLinksTo(facts.links, fileNode(file.path)),
        });
    }
    for (const members of groups.values()) {
      if (members.length < 2 || members.every((m) => m.version.marks === '')) continue;
      const years = new Set(members.map((m) => m.version.date?.slice(0, 4)).filter((y) => y !== undefined));
      if (years.size >= options.years) continue;
      const newest = elementAt(
        [...members].sort((a, b) => compareVersions(b.version, a.version) || b.linksTo - a.linksTo),
        0,
      );
      const older = members.filter((m) => m !== newest && compareVersions(m.version, newest.version) < 0);
      if (!older.length) continue;
      const refs = older.map((m) => m.subject.ref);
      yield {
        message:
          older.length === 1
            ? { id: 'older', params: { title: elementAt(older, 0).title, newest: newest.title } }
            : { id: 'many', params: { count: older.length, newest: newest.title } },
        subjects: members.filter((m) => m === newest || older.includes(m)).map((m) => m.subject),
        keep: newest.subject.ref,
        evidence: [
          { label: 'Newest', value: newest.title, where: newest.subject.ref },
          ...older.map((m) => ({
            label: 'Older',
            value: `${m.title}${m.version.marks ? `: ${m.version.marks}` : ': no mark of a version'}`,
            where: m.subject.ref,
          })),
        ],
        remedy: keepOne(newest.subject.ref, refs, 'judgement'),
        confidence: 0.7,
      };
    }
  },
});

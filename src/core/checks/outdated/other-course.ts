import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { Item } from '@/core/shell/model';
import { courseCodes, otherCourses, ownCode, type OwnCode } from '@/core/text/course-codes';
import { english } from '@/core/text/english';
import { defineCheck } from '@/core/checks/check/check';
import type { Passage } from '@/core/checks/facts/passages';
import { plural } from '@/core/text/plural';
import { bySubject, sentenceEvidence } from './mentions';

export const otherCourse = defineCheck({
  id: 'outdated.other-course',
  title: 'Another course is named',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['passages'],
  options: z.object({}),
  messages: {
    one: '“{title}” names {code}, and this is {own}',
    batch: '{count} of one import belong to another course: they name {code}, and this is {own}',
  },
  things: ['item or file of another course', 'items and files of another course'],
  page: {
    means:
      'A title, a file’s name or the first heading of a page names a course code built like the shell’s own that is another one. Two or more of one import are one finding.',
    why: 'Somebody copied the wrong course, or half of it. Students read instructions that were never for them.',
    example: '“GEO 130 Lab rules” in the shell of HYD 214.',
    remedy: 'Deletes what came with that import, where it is one; otherwise edit the name.',
    notWhen: 'It is a requirement or a “see also”, a standard such as RFC or ISO, or stands in running text.',
  },
  notApplicable: (shell) => (ownCode(shell.code) ? null : 'the shell has no code of letters and digits'),
  *find({ shell, facts }) {
    const shellCode = ownCode(shell.code);
    if (!shellCode) return;
    const hits = [];
    for (const passage of facts.passages) {
      const named = namesCourse(passage, shellCode);
      if (named) hits.push({ passage, ...named });
    }
    const found = bySubject(hits);
    const batches = new Map<string, typeof found>();
    for (const one of found) {
      const first = elementAt(one.hits, 0);
      const batch = first.passage.item?.batch ?? first.passage.file?.batch;
      if (batch) collect(batches, batch, one);
    }
    const done = new Set<string>();
    for (const [batch, members] of batches) {
      if (members.length < 2) continue;
      // The whole import is meant where it is not the shell's main one.
      const items = shell.items.filter((i) => i.batch === batch);
      const whole = items.length * 2 <= shell.items.length;
      const subjects = whole
        ? items.map((i: Item) => ({ type: 'item' as const, ref: i.ref }))
        : members.map((m) => m.subject);
      const targets = subjects.filter((s) => s.type === 'item').map((s) => s.ref);
      for (const m of members) done.add(`${m.subject.type} ${m.subject.ref}`);
      yield {
        message: {
          id: 'batch',
          params: {
            count: plural(subjects.length, 'thing'),
            code: elementAt(elementAt(members, 0).hits, 0).says,
            own: shell.code,
          },
        },
        subjects,
        evidence: [
          { label: 'Came with the import', value: batch, where: subjects[0]?.ref },
          ...members.slice(0, 12).map((m) => sentenceEvidence(elementAt(m.hits, 0))),
        ],
        remedy: whole && targets.length ? { action: 'delete', targets, params: {}, kind: 'judgement' } : null,
        batch,
      };
    }
    for (const { subject, title, hits: named } of found) {
      if (done.has(`${subject.type} ${subject.ref}`)) continue;
      yield {
        message: { id: 'one', params: { title, code: elementAt(named, 0).says, own: shell.code } },
        subjects: [subject],
        evidence: named.slice(0, 6).map(sentenceEvidence),
        remedy: null,
      };
    }
  },
});

/** The first other course that a title, a file's name or the first heading of a text names. */
function namesCourse(
  passage: Passage,
  shellCode: OwnCode,
): { start: number; end: number; says: string } | null {
  if (passage.where === 'alt') return null;
  for (const { start, end } of otherCourses(
    passage.mentions?.courses ?? courseCodes(passage.text),
    shellCode,
  )) {
    if (english.namesAside.test(passage.text.slice(0, start))) continue;
    return { start, end, says: passage.text.slice(start, end) };
  }
  return null;
}

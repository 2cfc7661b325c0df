import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { GradeColumn } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { defineCheck } from '@/core/checks/check/check';

export const duplicateGradeColumn = defineCheck({
  id: 'duplicate.grade-column',
  title: 'Grade columns twice',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['activities'],
  options: z.object({}),
  messages: { columns: 'The grade column “{title}” stands {count} times' },
  things: ['grade column that stands again', 'grade columns that stand again'],
  page: {
    means: 'Two or more grade columns have the same title and the same points.',
    why: 'The second one stays empty and counts as nought, or work is marked half in one and half in the other.',
    example: 'After the double import “Lab 3” stands twice, both of 20 points.',
    remedy: 'Deletes those that are known to have no results. Where all have results, look first.',
    notWhen: 'The points differ.',
  },
  notApplicable: (shell) => (shell.gradeColumns.length > 1 ? null : 'there are not two grade columns'),
  *find({ shell, facts }) {
    const { activities } = facts;
    const groups = new Map<string, GradeColumn[]>();
    for (const column of shell.gradeColumns) {
      const key = `${titleKey(column.title)} ${column.points ?? ''}`;
      collect(groups, key, column);
    }
    for (const columns of groups.values()) {
      if (columns.length < 2) continue;
      // Results weigh most, then an activity, then the earlier place.
      const rank = (c: GradeColumn) => (c.results !== 0 ? 2 : 0) + (activities.has(c.ref) ? 1 : 0);
      const keep = elementAt(
        [...columns].sort((a, b) => rank(b) - rank(a)),
        0,
      );
      const going = columns.filter((c) => c !== keep && c.results === 0);
      const labelOf = (column: (typeof columns)[number]) => {
        if (going.includes(column)) return 'Goes';
        return column === keep && going.length ? 'Stays' : 'Look';
      };
      yield {
        message: { id: 'columns', params: { title: keep.title, count: columns.length } },
        subjects: columns.map((c) => ({ type: 'gradeColumn', ref: c.ref })),
        keep: going.length ? keep.ref : null,
        evidence: columns.map((c) => ({
          label: labelOf(c),
          value: `${c.title}: ${c.results === null ? 'results not known' : `${c.results} results`}${activities.has(c.ref) ? ', an activity belongs to it' : ''}`,
          where: c.ref,
        })),
        remedy: going.length
          ? { action: 'delete', targets: going.map((c) => c.ref), params: {}, kind: 'judgement' }
          : null,
        covers: [{ refs: going.map((c) => c.ref), checks: ['orphan.grade-column'] }],
      };
    }
  },
});

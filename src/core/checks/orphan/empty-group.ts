import { z } from 'zod';
import { defineCheck, missing } from '@/core/checks/check/check';

export const emptyGroup = defineCheck({
  id: 'orphan.empty-group',
  title: 'Groups without an activity',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: {
    group: 'Nothing is made for the group “{title}”, and nobody is known to be in it',
    activity: '“{title}” is made for groups that are not there',
  },
  things: [
    'group without an activity, or activity without its group',
    'groups without an activity, or activities without their group',
  ],
  question: 'Are these groups still needed this term?',
  page: {
    means:
      'A group or group set has nobody that is known and no activity; or an activity is made for groups that the shell does not have.',
    why: 'Last term’s groups look like this term’s. What is made for a group that is gone, nobody sees.',
    example: '“Field party C, Autumn 2025” came along with the copy.',
    remedy: 'Deletes the group, or the activity whose groups are gone.',
    notWhen: 'An item is made for the group.',
  },
  notApplicable: (shell) =>
    shell.groups.length || shell.items.some((i) => i.groups.length) ? null : missing('no groups were given'),
  *find({ shell }) {
    const used = new Set(shell.items.flatMap((i) => i.groups as readonly string[]));
    const known = new Set<string>(shell.groups.map((g) => g.ref));
    for (const group of shell.groups) {
      if (used.has(group.ref)) continue;
      yield {
        message: { id: 'group', params: { title: group.title } },
        subjects: [{ type: 'group', ref: group.ref }],
        evidence: [
          { label: 'Made for it', value: 'nothing', where: group.ref },
          { label: 'In it', value: 'nobody is known' },
        ],
        remedy: { action: 'delete', targets: [group.ref], params: {}, kind: 'judgement' },
        batch: 'group',
      };
    }
    for (const item of shell.items) {
      if (!item.groups.length || item.groups.some((g) => known.has(g))) continue;
      yield {
        message: { id: 'activity', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: item.groups.map((g) => ({
          label: 'Made for',
          value: `${g}, which is not there`,
          where: item.ref,
        })),
        remedy: { action: 'delete', targets: [item.ref], params: {}, kind: 'judgement' },
        batch: 'activity',
      };
    }
  },
});

import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { dateOf, daysBetween, spellDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';

export const oldAnnouncement = defineCheck({
  id: 'outdated.old-announcement',
  title: 'Old announcements',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: { announcement: '“{title}” was announced on {date}, {days} days before the term' },
  things: ['old announcement', 'old announcements'],
  page: {
    means: 'An announcement opens, or was made, before the term begins.',
    why: 'It stands on top of the shell, and students read last term’s room change as news.',
    example: '“Class is cancelled on Thursday” of September 2025.',
    remedy: 'Deletes the announcement. Keep a welcome that you wrote for this term.',
    notWhen: 'No date of it is known.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.items.some((i) => i.kind === 'announcement'), 'there are no announcements'],
      [!shell.term.start, missing('the term’s start is not known')],
    ),
  *find({ shell }) {
    const start = shell.term.start;
    if (!start) return;
    for (const item of shell.items) {
      const when = item.kind === 'announcement' ? (item.opens ?? item.created) : null;
      if (!when || dateOf(when) >= start) continue;
      yield {
        message: {
          id: 'announcement',
          params: {
            title: item.title,
            date: spellDate(dateOf(when)),
            days: daysBetween(dateOf(when), start),
          },
        },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          { label: item.opens ? 'Opens' : 'Made', value: spellDate(dateOf(when)), where: item.ref },
          { label: 'The term begins', value: spellDate(start) },
        ],
        remedy: { action: 'delete', targets: [item.ref], params: {}, kind: 'judgement' },
      };
    }
  },
});

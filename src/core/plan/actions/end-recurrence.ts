import { z } from 'zod';
import { eventOfShell } from '@/core/shell/find-things';
import { endSeries, lastDayOf } from '@/core/time/change-events';
import type { LocalDate } from '@/core/dates/local-date';
import { defineAction } from '@/core/plan/action/action';

const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'write a day as 2027-05-07');

/** Ends series on a day; dates that were changed one by one go along. */
export const endRecurrence = defineAction({
  name: 'end-recurrence',
  label: 'End',
  title: 'End the series',
  toDo: ({ title, sets }) => ({
    what: `End the series “${title}” on ${sets.until}.`,
    lookFor: 'The calendar shows none of it after that day.',
  }),
  nothing: 'it has no date after that day',
  phase: 'change',
  on: ['event'],
  only: 'only events that repeat can be ended',
  joins: true,
  params: z.strictObject({ until: day }),
  perTarget: [],
  expects: z.strictObject({ last: day }),
  sets: z.strictObject({ until: day }),
  setsOf: (params) => ({ until: params.until }),
  paramsOf: (targets) => ({ until: targets[0]?.sets.until ?? '' }),
  now: (shell, ref) => {
    const event = eventOfShell(shell, ref);
    return event ? { last: lastDayOf(shell, event) } : null;
  },
  isSet: (now, sets) => now.last <= sets.until,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const until = new Map<string, LocalDate>();
    for (const { ref, sets } of targets) {
      const event = eventOfShell(shell, ref);
      if (!event?.recurrence) blocked.set(ref, 'it does not repeat; delete it or give it another date');
      else if (event.start.slice(0, 10) > sets.until)
        blocked.set(ref, `“${event.title}” begins after that day; delete it instead`);
      else until.set(ref, sets.until as LocalDate);
    }
    return { shell: until.size ? endSeries(shell, until) : shell, blocked };
  },
});

import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { eventOfShell } from '@/core/shell/find-things';
import { excludeDates } from '@/core/time/change-events';
import type { LocalDateTime } from '@/core/dates/local-date';
import { defineAction, recordOf, sayMoment } from '@/core/plan/action/action';

const moments = z.array(z.string());

/** Takes dates out of a series. */
export const excludeOccurrence = defineAction({
  name: 'exclude-occurrence',
  label: 'Take dates out of',
  title: 'Take dates out',
  toDo: ({ title, sets }) => ({
    what: `Take these dates out of the series “${title}”: ${sets.exclude.map(sayMoment).join(', ')}.`,
    lookFor: 'The calendar does not show them any more.',
  }),
  nothing: 'it has no such date',
  phase: 'change',
  on: ['event'],
  only: 'only events that repeat have dates to take out',
  joins: true,
  params: z.strictObject({ occurrences: refRecord(moments) }),
  perTarget: ['occurrences'],
  expects: z.strictObject({ there: moments }),
  sets: z.strictObject({ exclude: moments }),
  setsOf: (params, ref) => givenFor('exclude', params.occurrences, ref),
  paramsOf: (targets) => ({ occurrences: recordOf(targets, (sets) => [...sets.exclude]) }),
  now: (shell, ref, sets) => {
    const event = eventOfShell(shell, ref);
    const dates = new Set<string>(event?.occurrences);
    return event ? { there: sets.exclude.filter((date) => dates.has(date)) } : null;
  },
  isSet: (now) => now.there.length === 0,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const dates = new Map<string, readonly LocalDateTime[]>();
    for (const { ref, sets } of targets) {
      const event = eventOfShell(shell, ref);
      const going = event?.occurrences.filter((date) => sets.exclude.includes(date)) ?? [];
      if (!event?.recurrence) blocked.set(ref, 'it does not repeat; delete it or give it another date');
      else if (going.length === event.occurrences.length)
        blocked.set(ref, `“${event.title}” would have no date left; delete it instead`);
      else dates.set(ref, going);
    }
    return { shell: dates.size ? excludeDates(shell, dates) : shell, blocked };
  },
});

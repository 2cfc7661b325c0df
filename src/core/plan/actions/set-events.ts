import type { Shell } from '@/core/shell/model';
import { endSeries, excludeDates, moveEvent } from '@/core/time/event-source';
import type { LocalDate, LocalDateTime } from '@/core/time/local-date';
import { replacements, type Edit } from '../edits';
import type { Step } from '../step';

/** Gives single events another start; they stay as long as they were. */
export const reDateEvents = (shell: Shell, dates: NonNullable<Step['params']['dates']>): Edit[] =>
  replacements(shell, 'events', (event) => {
    const start = dates[event.ref]?.start;
    return start !== undefined && start !== event.start && !event.recurrence
      ? moveEvent(event, start as LocalDateTime, shell.timeZone)
      : event;
  });

/** Ends series on a day; overrides of later dates go along. */
export function endRecurrence(shell: Shell, targets: ReadonlySet<string>, until: LocalDate): Edit[] {
  return replacements(shell, 'events', (event) =>
    targets.has(event.ref) && event.recurrence ? endSeries(event, until, shell.timeZone) : event,
  );
}

export const excludeOccurrences = (
  shell: Shell,
  occurrences: Readonly<Record<string, readonly string[]>>,
): Edit[] =>
  replacements(shell, 'events', (event) => {
    const dates = occurrences[event.ref]?.filter((d) => event.occurrences.includes(d as LocalDateTime)) ?? [];
    return dates.length && event.recurrence
      ? excludeDates(event, dates as LocalDateTime[], shell.timeZone)
      : event;
  });

import type { Shell } from '@/core/shell/model';
import type { RedateAsk } from './ask';
import { eventsAsked, eventsThatAreThings } from './event-changes';

/** Why a re-dating can't be done, in one sentence with the way out; null where it can. */
export function whyRefused(shell: Shell, ask: RedateAsk): string | null {
  const stranger = strangerIn(shell, ask);
  if (stranger !== null)
    return `There is no item and no event “${stranger}” in this shell; name refs as the audit gives them.`;
  const events = eventsAsked(shell, ask);
  if (ask.mode === 'clear' && events.length > 0)
    return `An event without a date is none, so dates of events can’t be cleared (${events.length} are asked about, “${events[0]?.title ?? ''}” first); ask about items only, or delete the events.`;
  const series = events.find((event) => event.recurrence !== null);
  if (ask.mode === 'to-date' && series)
    return `“${series.title}” repeats, and a series can’t be put on one day; leave it out, or end the series first.`;
  return null;
}

/** The first ref that names nothing that can be asked about. */
function strangerIn(shell: Shell, { only }: RedateAsk): string | null {
  if (only === null) return null;
  const known = new Set<string>([...shell.items, ...eventsThatAreThings(shell)].map((thing) => thing.ref));
  return [...only].find((ref) => !known.has(ref)) ?? null;
}

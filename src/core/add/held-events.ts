import type { CourseEvent, Shell } from '@/core/shell/model';
import { eventsThatAreThings } from '@/core/redate/event-changes';
import { titleKey } from '@/core/text/normalise';
import { eventDifferences } from './differences';
import { incomingKey } from './incoming';
import { heldAgainst, isDoubled, isNew, type Held, type Verdict } from './verdict';

const nameOf = ({ title, start }: CourseEvent) => JSON.stringify([titleKey(title), start]);

/**
 * Holds events against those that are here: by UID, else by title and start. An override goes with its series, unless
 * each is looked at by itself.
 */
export function heldEvents(shell: Shell, source: Shell, oneByOne = false): Held[] {
  const byRef = new Map<string, CourseEvent>(shell.events.map((event) => [event.ref, event]));
  const byName = new Map(eventsThatAreThings(shell).map((event) => [nameOf(event), event]));
  const seen = new Set<string>();
  const verdictOn = (event: CourseEvent): Verdict => {
    const name = nameOf(event);
    const isLater = seen.has(name);
    seen.add(name);
    const counterpart = byRef.get(event.ref) ?? byName.get(name);
    if (counterpart) return heldAgainst(counterpart, eventDifferences(counterpart, event));
    return isLater ? isDoubled : isNew;
  };
  const events = oneByOne ? source.events : eventsThatAreThings(source);
  return events.map((event) => ({
    key: incomingKey('event', event.ref),
    type: 'event',
    ref: event.ref,
    kind: 'event',
    title: event.title,
    parent: null,
    ...verdictOn(event),
  }));
}

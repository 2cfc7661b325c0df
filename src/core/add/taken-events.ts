import { append } from '@/core/collect';
import { eventRef } from '@/core/refs/refs';
import { FreshNames } from '@/core/shell/fresh-names';
import type { CourseEvent, Shell } from '@/core/shell/model';
import { componentOf } from '@/core/time/read-event';
import { writeComponent } from '@/core/time/write-component';
import type { TakenDates } from './redate-taken';
import type { TakenThings } from './taken-things';

/** Events that come along, and those that take the place of their counterparts. */
export interface TakenEvents {
  readonly added: readonly CourseEvent[];
  /** By the ref of the counterpart: what stands in its place; the overrides of its series go. */
  readonly replaced: ReadonlyMap<string, readonly CourseEvent[]>;
  /** The refs that events of the source have here. */
  readonly refs: ReadonlyMap<string, string>;
}

/** Events go by series: its overrides come with it, under the UID that it has here. */
export function takenEvents(shell: Shell, taken: TakenThings, dates: TakenDates): TakenEvents {
  const uids = new FreshNames(shell.events.map(({ uid }) => uid));
  const byRef = new Map<string, CourseEvent>(shell.events.map((event) => [event.ref, event]));
  const added: CourseEvent[] = [];
  const replaced = new Map<string, readonly CourseEvent[]>();
  const refs = new Map<string, string>();
  for (const event of taken.incoming.events) {
    const isReplaced = taken.isReplaced('event', event.ref);
    if (!isReplaced && !taken.has('event', event.ref)) continue;
    const series = seriesOf(taken.incoming, event).map((one) => dates.eventOf(one));
    const counterpart = byRef.get(taken.counterpart('event', event.ref) ?? '');
    if (isReplaced && counterpart) {
      replaced.set(counterpart.ref, renamed(series, event.uid, counterpart.uid));
      refs.set(event.ref, counterpart.ref);
      continue;
    }
    const uid = uids.take(event.uid, (name, n) => `${name}~${n}`);
    const landed = renamed(series, event.uid, uid);
    append(added, landed);
    refs.set(event.ref, landed[0]?.ref ?? event.ref);
  }
  return { added, replaced, refs };
}

/** An event with the overrides of its series; one that is itself an override stands alone. */
const seriesOf = ({ events }: Shell, event: CourseEvent): readonly CourseEvent[] =>
  event.recurrenceId === null
    ? [event, ...events.filter((one) => one.uid === event.uid && one.recurrenceId !== null)]
    : [event];

/** The same events under another UID (RFC 5545, 3.8.4.7). */
function renamed(events: readonly CourseEvent[], from: string, to: string): readonly CourseEvent[] {
  if (from === to) return events;
  return events.map((event) => {
    const component = componentOf(event.source);
    component.updatePropertyWithValue('uid', to);
    const ref = eventRef(`${to}${event.ref.slice(from.length)}`);
    return { ...event, uid: to, ref, source: writeComponent(event.source, component) };
  });
}

import type { CourseEvent } from '@/core/shell/model';
import type { EventRef } from '@/core/refs/refs';
import { titleKey } from '@/core/text/normalise';

export interface EventGroups {
  /** The key of an event's series: events of one title or one link share it. */
  of(event: CourseEvent): EventRef;
}

/** Joins events of equal title, equal link or equal UID; the key is the first event's ref. */
export function eventGroups(events: readonly CourseEvent[]): EventGroups {
  const parent = new Map<EventRef, EventRef>(events.map((e) => [e.ref, e.ref]));
  const order = new Map(events.map((e, i) => [e.ref, i]));
  const root = (ref: EventRef): EventRef => {
    let at = ref;
    for (let up = parent.get(at) ?? at; up !== at; up = parent.get(at) ?? at) at = up;
    parent.set(ref, at);
    return at;
  };
  const join = (a: EventRef, b: EventRef) => {
    const [x, y] = [root(a), root(b)];
    if (x === y) return;
    if ((order.get(x) ?? 0) < (order.get(y) ?? 0)) parent.set(y, x);
    else parent.set(x, y);
  };
  const first = new Map<string, EventRef>();
  for (const event of events) {
    const keys = [
      `uid ${event.uid}`,
      `title ${titleKey(event.title)}`,
      ...event.links.map((l) => `link ${l}`),
    ];
    for (const key of keys) {
      const known = first.get(key);
      if (known) join(known, event.ref);
      else first.set(key, event.ref);
    }
  }
  return { of: (event) => root(event.ref) };
}

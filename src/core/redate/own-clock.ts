import type { CourseEvent } from '@/core/shell/model';
import type { EventClock } from '@/core/time/event-clock';
import type { LocalDateTime } from '@/core/dates/local-date';
import { componentOf } from '@/core/time/read-event';
import { isTimeZone, onOtherClock } from '@/core/dates/zones';

/** An event on the clock that it is written on, and the way back to the shell's. */
export interface OwnClock {
  readonly clock: EventClock;
  /** A moment of the shell's clock on this one, and the other way round. */
  readonly there: (when: LocalDateTime) => LocalDateTime;
  readonly here: (when: LocalDateTime) => LocalDateTime;
}

/**
 * The clock on which an event keeps its time of day and its weekday: the one that its start names, where the zone
 * database knows it. All others go by the shell's. Daylight saving begins on other days elsewhere, and a late meeting there
 * is on the next day here.
 */
export function ownClock(event: CourseEvent, clock: EventClock): OwnClock {
  const zone = zoneOf(event);
  if (zone === null || zone === clock.zone) return { clock, there: (when) => when, here: (when) => when };
  return {
    clock: { ...clock, zone },
    there: (when) => onOtherClock(when, clock.zone, zone),
    here: (when) => onOtherClock(when, zone, clock.zone),
  };
}

function zoneOf(event: CourseEvent): string | null {
  if (event.allDay || event.source === '') return null;
  const named = componentOf(event.source).getFirstProperty('dtstart')?.getParameter('tzid');
  return typeof named === 'string' && isTimeZone(named) ? named : null;
}

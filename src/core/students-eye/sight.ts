import { spellDate, spellWeekday, dateOf, timeOf, type LocalDateTime } from '@/core/dates/local-date';
import type { Closed } from './openings';
import { isIn, type Spans } from './spans';

/** What students get of a thing at a moment. */
export type Sight = 'Shown' | 'Timed' | 'Hidden' | 'Shadowed' | 'Locked' | 'Unreached';

/** What is seen and why, in a sentence. */
export interface Seen {
  readonly sight: Sight;
  readonly because: string;
}

interface Looked {
  readonly spans: Spans;
  readonly closed: Closed | null;
}

/** What a student gets at a moment of something that is open at these times. */
export function seenAt({ spans, closed }: Looked, moment: LocalDateTime): Seen {
  if (isIn(spans, moment)) return { sight: 'Shown', because: 'It is open.' };
  if (closed !== null) return { sight: sightOfClosed(closed), because: sayClosed(closed) };
  const next = spans.find(({ from }) => from !== null && from > moment);
  if (next?.from) return { sight: 'Timed', because: `It opens on ${spellMoment(next.from)}.` };
  const last = spans.at(-1)?.until ?? null;
  if (last !== null) return { sight: 'Timed', because: `It closed on ${spellMoment(last)}.` };
  return { sight: 'Unreached', because: 'Nothing that students see leads to it.' };
}

function sightOfClosed(closed: Closed): Sight {
  switch (closed.is) {
    case 'hidden':
    case 'staff-only':
      return 'Hidden';
    case 'shadowed':
      return 'Shadowed';
    case 'never':
      return 'Timed';
    case 'locked':
      return 'Locked';
  }
}

/** Why something is closed for good, as a sentence. */
export function sayClosed(closed: Closed): string {
  switch (closed.is) {
    case 'hidden':
      return 'Its own switch hides it.';
    case 'staff-only':
      return 'It is for staff only.';
    case 'shadowed':
      return `It is shown itself, but stands in “${closed.by}”, which is hidden.`;
    case 'never':
      return 'Its dates leave no time in which it is open.';
    case 'locked':
      return `It requires “${closed.behind}”, which can’t be done before.`;
  }
}

const spellMoment = (when: LocalDateTime): string =>
  `${spellWeekday(dateOf(when))}, ${spellDate(dateOf(when))}, ${timeOf(when)}`;

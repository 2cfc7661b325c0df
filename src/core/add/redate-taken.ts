import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { dateOf, daysBetween } from '@/core/dates/local-date';
import { runPlan } from '@/core/plan/run-plan';
import { plainAsk, type RedateWarning } from '@/core/redate/ask';
import { eventsThatAreThings } from '@/core/redate/event-changes';
import { nearTerm } from '@/core/redate/move-day';
import { oldTermOf, redate, redatingSteps, type OldTerm, type Redating } from '@/core/redate/redate';
import type { RedateChange, RedateField } from '@/core/redate/thing-changes';
import type { CourseEvent, Item, Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';

/** What becomes of the dates of what is taken. */
export interface Dating {
  readonly mode: 'keep' | 'week-and-weekday' | 'shift' | 'clear';
  /** For `shift`: calendar days, negative for earlier. */
  readonly days: number;
}
export const keptDates: Dating = { mode: 'keep', days: 0 };

/** One date of something that is taken, old and new; the same where it stays. */
export interface TakenDate {
  readonly field: RedateField;
  readonly old: string | null;
  readonly new: string | null;
  readonly warnings: readonly RedateWarning[];
}

/** The days without class of the source’s term, once that is known. */
export type NoClassOf = (term: OldTerm) => readonly LocalDate[];

/** The dates of what is taken, worked out. */
export interface TakenDates {
  /** The source’s term: told, the source’s own, or worked out from its dates. */
  readonly term: OldTerm;
  /** By ref of the source: every date of each thing. */
  readonly rows: ReadonlyMap<string, readonly TakenDate[]>;
  itemOf(item: Item): Pick<Item, 'opens' | 'due' | 'closes'>;
  /** The event as it will be; overrides of a series, too. */
  eventOf(event: CourseEvent): CourseEvent;
}

const fields = ['opens', 'due', 'closes'] as const;

/**
 * Works out the dates of taken items and events, from the source’s term to the target’s. No date is dropped but by
 * `clear`: what is far from the source’s term, or in the target’s already, stays. Trouble `redate-refused` with the reason.
 */
export function redateTaken(
  shell: Shell,
  source: Shell,
  refs: ReadonlySet<string>,
  dating: Dating,
  noClassOf: NoClassOf,
): Result<TakenDates> {
  const frame = inTermOf(shell, source);
  const term = oldTermOf(frame);
  const items = source.items.filter(({ ref }) => refs.has(ref));
  const events = eventsThatAreThings(source).filter(({ ref }) => refs.has(ref));
  if (dating.mode === 'keep') return good(asTheyAre(term, items, events));
  if (dating.mode === 'clear') return cleared(term, items, events);
  const stays = stayingDays(shell, term);
  const movable = events.filter(({ start }) => !stays(start));
  const only = new Set<string>([...items, ...movable].map(({ ref }) => ref));
  const ask = { ...plainAsk, mode: dating.mode, days: dating.days, only };
  const redating = redate(frame, ask, noClassOf(term));
  if (!redating.ok) return redating;
  const steps = redatingSteps(frame, redating.value, false);
  if (!steps.ok) return steps;
  const after = new Map(runPlan(frame, steps.value).after.events.map((event) => [event.ref, event]));
  return good({
    term,
    rows: rowsOf(items, events, redating.value, stays),
    itemOf: itemDates(redating.value, stays),
    eventOf: (event) => after.get(event.ref) ?? event,
  });
}

/** The source’s term: told, the source’s own, or worked out from its dates. */
export const sourceTermOf = (shell: Pick<Shell, 'term' | 'noClassDays'>, source: Shell): OldTerm =>
  oldTermOf(inTermOf(shell, source));

/** A source in the term that was told while choosing, as far as one was. */
export const inToldTerm = (source: Shell, { start, end }: Pick<OldTerm, 'start' | 'end'>): Shell => ({
  ...source,
  term: { ...source.term, start: start ?? source.term.start, end: end ?? source.term.end },
});

/** The source as it is re-dated: from its own term to the target’s. */
const inTermOf = ({ term, noClassDays }: Pick<Shell, 'term' | 'noClassDays'>, source: Shell): Shell => ({
  ...source,
  term,
  noClassDays,
  previousTerm: source.term.start === null && source.term.end === null ? null : source.term,
});

/** Tells of a moment whether it stays: far from the source’s term, or in the target’s while that is another. */
function stayingDays({ term }: Shell, old: OldTerm): (when: LocalDateTime) => boolean {
  const isOther = term.start !== old.start || term.end !== old.end;
  return (when) => {
    const day = dateOf(when);
    const isFar =
      (old.start !== null && day < old.start && daysBetween(day, old.start) > nearTerm) ||
      (old.end !== null && day > old.end && daysBetween(old.end, day) > nearTerm);
    const isHere = term.start !== null && term.end !== null && day >= term.start && day <= term.end;
    return isFar || (isOther && isHere);
  };
}

const asTheyAre = (term: OldTerm, items: readonly Item[], events: readonly CourseEvent[]): TakenDates => ({
  term,
  rows: new Map([
    ...items.map(rowsAsTheyAre),
    ...events.map((event) => [event.ref, [startOf(event)]] as const),
  ]),
  itemOf: (item) => item,
  eventOf: (event) => event,
});

const rowsAsTheyAre = (item: Item): readonly [string, readonly TakenDate[]] => [
  item.ref,
  fields.flatMap((field) => {
    const when = item[field];
    return when === null ? [] : [{ field, old: when, new: when, warnings: [] }];
  }),
];

function startOf({ start, allDay }: CourseEvent): TakenDate {
  const when = allDay ? dateOf(start) : start;
  return { field: 'start', old: when, new: when, warnings: [] };
}

function cleared(term: OldTerm, items: readonly Item[], events: readonly CourseEvent[]): Result<TakenDates> {
  const [first] = events;
  if (first)
    return bad(
      'redate-refused',
      `An event needs a date, so the date of “${first.title}” can’t be cleared. Leave events out, or keep their dates.`,
    );
  const rows = items.map((item): readonly [string, readonly TakenDate[]] => {
    const [ref, dates] = rowsAsTheyAre(item);
    return [ref, dates.map((date) => ({ ...date, new: null }))];
  });
  const nothing = { opens: null, due: null, closes: null };
  return good({ term, rows: new Map(rows), itemOf: () => nothing, eventOf: (event) => event });
}

/** Every date of each thing; what stays has no warnings. */
function rowsOf(
  items: readonly Item[],
  events: readonly CourseEvent[],
  { changes }: Redating,
  stays: (when: LocalDateTime) => boolean,
): ReadonlyMap<string, readonly TakenDate[]> {
  const byDate = new Map(changes.map((change) => [`${change.ref} ${change.field} ${change.old}`, change]));
  const rowOf = (ref: string, date: TakenDate): TakenDate => {
    const change = byDate.get(`${ref} ${date.field} ${date.old}`);
    const moves = change !== undefined && !(isMoment(date.old) && stays(date.old));
    return moves ? { ...date, new: change.new, warnings: change.warnings } : date;
  };
  const ofItems = items.map((item) => {
    const [ref, dates] = rowsAsTheyAre(item);
    return [ref, dates.map((date) => rowOf(ref, date))] as const;
  });
  const ofEvents = events.map((event) => {
    const others = changes.filter((change) => isOfSeries(change, event) && change.field !== 'start');
    return [event.ref, [rowOf(event.ref, startOf(event)), ...others.map(asDate)]] as const;
  });
  return new Map<string, readonly TakenDate[]>([...ofItems, ...ofEvents]);
}

const isMoment = (when: string | null): when is LocalDateTime => when !== null && when.length > 10;

const isOfSeries = ({ type, ref }: RedateChange, event: CourseEvent): boolean =>
  type === 'event' && (ref === event.ref || ref.startsWith(`${event.uid}#`));

const asDate = ({ field, old, new: date, warnings }: RedateChange): TakenDate => ({
  field,
  old,
  new: date,
  warnings,
});

function itemDates({ changes }: Redating, stays: (when: LocalDateTime) => boolean): TakenDates['itemOf'] {
  const moved = new Map(
    changes
      .filter(({ type }) => type === 'item')
      .map((change) => [`${change.ref} ${change.field}`, change.new]),
  );
  return (item) => {
    const dateIn = (field: (typeof fields)[number]): LocalDateTime | null => {
      const when = item[field];
      if (when === null || stays(when)) return when;
      const to = moved.get(`${item.ref} ${field}`);
      return to === undefined ? when : (to as LocalDateTime | null);
    };
    return { opens: dateIn('opens'), due: dateIn('due'), closes: dateIn('closes') };
  };
}

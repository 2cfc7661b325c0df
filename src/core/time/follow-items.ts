import { entryOf, putEntry } from '@/core/entries';
import { daysBetween, addDays, dateOf, parseLocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { clockOf, timeLike } from './event-clock';
import { componentOf } from './read-event';
import type { GradeColumn, Item, Shell } from '@/core/shell/model';
import { dueTodoOf } from './due-todo';

/**
 * What is written elsewhere of an item’s dates goes along with them: the to-do for its due date in the calendar, and
 * the days of its line item (OneRoster 1.1 CSV, lineItems: assignDate, dueDate). A due date that was cleared takes its
 * to-do along; a line item must have its days and keeps them.
 */
export function followItems(before: Shell, after: Shell): Shell {
  if (before.items === after.items) return after;
  const earlier = new Map(before.items.map((item) => [item.ref, item]));
  const changed = after.items.filter((item) => {
    const old = earlier.get(item.ref);
    return old !== undefined && (old.due !== item.due || old.opens !== item.opens);
  });
  if (changed.length === 0) return after;
  const withTodos = todosFollow(after, changed);
  return columnsFollow(withTodos, changed, earlier);
}

function todosFollow(shell: Shell, changed: readonly Item[]): Shell {
  const { calendar } = shell;
  if (!calendar) return shell;
  const due = new Map<string, LocalDateTime | null>(changed.map((item) => [item.ref, item.due]));
  const clock = clockOf(shell);
  const others = calendar.others.flatMap((source) => {
    const ref = dueTodoOf(source);
    const date = ref === null ? undefined : due.get(ref);
    if (date === undefined) return [source];
    if (date === null) return [];
    const component = componentOf(source);
    const property = component.getFirstProperty('due');
    if (property) property.setValue(timeLike(property, date, clock));
    return [component.toString()];
  });
  const isSame = others.length === calendar.others.length && others.every((o, k) => o === calendar.others[k]);
  return isSame ? shell : { ...shell, calendar: { ...calendar, others } };
}

function columnsFollow(
  shell: Shell,
  changed: readonly Item[],
  earlier: ReadonlyMap<Item['ref'], Item>,
): Shell {
  const byColumn = new Map(changed.flatMap((item) => (item.gradeColumn ? [[item.gradeColumn, item]] : [])));
  if (byColumn.size === 0) return shell;
  const gradeColumns = shell.gradeColumns.map((column) => {
    const item = byColumn.get(column.ref);
    const old = item ? earlier.get(item.ref) : undefined;
    return item && old ? columnAlong(column, old, item) : column;
  });
  return { ...shell, gradeColumns };
}

/** A line item’s days move as far as the item’s due date, or its opening, did. */
function columnAlong(column: GradeColumn, old: Item, item: Item): GradeColumn {
  const due = daysMoved(old.due, item.due);
  const opens = daysMoved(old.opens, item.opens);
  const extra = { ...column.extra };
  shiftDay(extra, 'dueDate', due ?? opens);
  shiftDay(extra, 'assignDate', opens ?? due);
  return { ...column, extra };
}

const daysMoved = (from: LocalDateTime | null, to: LocalDateTime | null): number | null =>
  from === null || to === null ? null : daysBetween(dateOf(from), dateOf(to));

function shiftDay(extra: Record<string, string>, name: string, days: number | null): void {
  const written = entryOf(extra, name) ?? '';
  const day = parseLocalDate(written.slice(0, 10));
  if (day !== null && days !== null) putEntry(extra, name, `${addDays(day, days)}${written.slice(10)}`);
}

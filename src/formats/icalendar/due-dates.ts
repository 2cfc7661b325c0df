import ICAL from 'ical.js';
import type { Item, Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { dueTodoUid, itemOfDueUid } from '@/core/time/due-todo';
import { titleKey } from '@/core/text/normalise';
import { atTime, type LocalDateTime } from '@/core/dates/local-date';
import type { CalendarTodo } from './read-calendar';

/** Due dates as to-dos (RFC 5545, 3.6.2), on the shell's own clock; the stamp is the day the shell is looked at from. */
export function dueDatesAsTodos(shell: Shell): string[] {
  const stamp = ICAL.Time.fromData(
    { ...partsOf(atTime(shell.asOf, '00:00:00')), isDate: false },
    ICAL.Timezone.utcTimezone,
  );
  return shell.items.flatMap(({ ref, title, due }) => {
    if (due === null) return [];
    const todo = new ICAL.Component('vtodo');
    todo.addPropertyWithValue('uid', dueTodoUid(ref));
    todo.addPropertyWithValue('dtstamp', stamp);
    const property = todo.addPropertyWithValue('due', ICAL.Time.fromData(partsOf(due)));
    property.setParameter('tzid', shell.timeZone);
    todo.addPropertyWithValue('summary', title);
    return [todo.toString()];
  });
}

/** The numbers of a wall-clock time. */
function partsOf(time: LocalDateTime) {
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = time.split(/\D/).map(Number);
  return { year, month, day, hour, minute, second };
}

/** Gives activities without a due date the one that a to-do of the calendar tells; what matches nothing is reported. */
export function applyTodos(
  shell: Shell,
  todos: readonly CalendarTodo[],
): { readonly shell: Shell; readonly notes: readonly IntakeNote[] } {
  if (!todos.length) return { shell, notes: [] };
  const notes: IntakeNote[] = [];
  const byTitle = new Map<string, Item[]>();
  for (const item of shell.items)
    if (item.content) byTitle.set(titleKey(item.title), [...(byTitle.get(titleKey(item.title)) ?? []), item]);
  const due = new Map<string, Item['due']>();
  for (const todo of todos) {
    const ref = itemOfDueUid(todo.uid);
    const found =
      ref !== null ? shell.items.filter((i) => i.ref === ref) : (byTitle.get(titleKey(todo.title)) ?? []);
    const item = found[0];
    if (found.length !== 1 || !item)
      notes.push({
        code: 'todo-unmatched',
        message: `the to-do “${todo.title}” due ${todo.due.slice(0, 10)} belongs to ${found.length ? 'several items' : 'no item'}; it is kept as it is`,
        where: todo.where,
      });
    else if (item.due === null) due.set(item.ref, todo.due);
  }
  if (!due.size) return { shell, notes };
  return {
    shell: { ...shell, items: shell.items.map((i) => ({ ...i, due: due.get(i.ref) ?? i.due })) },
    notes,
  };
}

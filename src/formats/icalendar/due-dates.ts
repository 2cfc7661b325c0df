import type { Item, Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { dueTodoUid, itemOfDueUid } from '@/core/time/due-todo';
import { titleKey } from '@/core/text/normalise';
import type { CalendarTodo } from './read-calendar';

const compact = (when: string) => when.replace(/[-:]/g, '');
const escapeValue = (text: string) => text.replace(/[\\;,]/g, (c) => `\\${c}`).replace(/\r?\n/g, '\\n');

/** Due dates as to-dos (RFC 5545, 3.6.2), on the shell's own clock; `stamp` is the day the shell is looked at from. */
export function dueDatesAsTodos(shell: Shell): string[] {
  return shell.items
    .filter((i) => i.due !== null)
    .map((i) =>
      [
        'BEGIN:VTODO',
        `UID:${dueTodoUid(i.ref)}`,
        `DTSTAMP:${compact(shell.asOf)}T000000Z`,
        `DUE;TZID=${shell.timeZone}:${compact(i.due!)}`,
        `SUMMARY:${escapeValue(i.title)}`,
        'END:VTODO',
      ]
        .map(fold)
        .join('\r\n'),
    );
}

/** Lines of at most 75 octets, continued with a space (RFC 5545, 3.1). */
function fold(line: string): string {
  const parts: string[] = [];
  let part = '';
  let bytes = 0;
  for (const char of line) {
    const size = Buffer.byteLength(char);
    if (bytes + size > 74) {
      parts.push(part);
      part = '';
      bytes = 0;
    }
    part += char;
    bytes += size;
  }
  return [...parts, part].join('\r\n ');
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
  return {
    shell: due.size
      ? { ...shell, items: shell.items.map((i) => (due.has(i.ref) ? { ...i, due: due.get(i.ref)! } : i)) }
      : shell,
    notes,
  };
}

import ICAL from 'ical.js';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { shellRef } from '@/core/refs/refs';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { applyTodos, dueDatesAsTodos } from './due-dates';
import { readCalendar } from './read-calendar';
import { writeCalendar } from './write-calendar';

const shell = () => {
  const c = new ShellComposer({
    ref: shellRef('s'),
    title: 's',
    timeZone: 'Europe/Dublin',
    asOf: '2027-01-04' as LocalDate,
  });
  c.assignment(
    'Ten readings; with commas, and a title that is much too long for one line of a calendar file',
    'x',
    1,
    { ref: 'a', due: '2027-01-29T23:59:00' as LocalDateTime },
  );
  c.assignment('Profile', 'y', 1, { ref: 'b' });
  c.assignment('Twin', 'z', 1, { ref: 'c' });
  c.assignment('Twin', 'w', 1, { ref: 'd' });
  return c.shell();
};
const read = (text: string) => {
  const result = readCalendar(text, 'c.ics', { wanted: 'Europe/Dublin', otherwise: 'UTC' }, null);
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};
const calendar = (...todos: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...todos, 'END:VCALENDAR', ''].join('\r\n');
const todo = (...lines: string[]) => ['BEGIN:VTODO', ...lines, 'END:VTODO'].join('\r\n');

test('due dates go out as to-dos that a calendar library reads, and come back', () => {
  const composed = shell();
  const todos = dueDatesAsTodos(composed);
  expect(todos).toHaveLength(1);
  expect(todos[0]!.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  const component = new ICAL.Component(ICAL.parse(todos[0]!) as unknown[]);
  expect([
    component.getFirstPropertyValue('summary'),
    String(component.getFirstPropertyValue('due')),
  ]).toEqual([composed.items[0]!.title, '2027-01-29T23:59:00']);
  const text = writeCalendar([], { head: '', others: todos });
  const bare = { ...composed, items: composed.items.map((i) => ({ ...i, due: null })) };
  const back = applyTodos(bare, read(text).todos);
  expect(back.shell.items.map((i) => i.due)).toEqual(composed.items.map((i) => i.due));
  expect(back.notes).toEqual([]);
});

test('a to-do dates the one item of its title that has no date; what fits nothing is reported', () => {
  const { todos, notes } = read(
    calendar(
      todo('UID:1', 'DUE;VALUE=DATE:20270205', 'SUMMARY:profile'),
      todo('UID:2', 'DUE:20270206T120000Z', 'SUMMARY:Twin'),
      todo('UID:3', 'DUE:20270206T120000Z', 'SUMMARY:Nobody'),
      todo('UID:4', 'SUMMARY:No date'),
    ),
  );
  expect(notes.map((n) => [n.code, n.where])).toEqual([['todo-without-due', 'c.ics, line 19']]);
  const { shell: dated, notes: said } = applyTodos(shell(), todos);
  expect(dated.items.map((i) => i.due)).toEqual(['2027-01-29T23:59:00', '2027-02-05T23:59:59', null, null]);
  expect(said.map((n) => n.message)).toEqual([
    'the to-do “Twin” due 2027-02-06 belongs to several items; it is kept as it is',
    'the to-do “Nobody” due 2027-02-06 belongs to no item; it is kept as it is',
  ]);
});

test.each([
  'FREQ=DAILY;INTERVAL=99999999',
  'FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=31',
  'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31',
])('a rule that can’t be worked out gives the first date only: %s', (rule) => {
  const { events, notes } = read(
    calendar(
      [
        'BEGIN:VEVENT',
        'UID:1',
        'DTSTART:20270111T090000Z',
        `RRULE:${rule}`,
        'SUMMARY:Odd',
        'END:VEVENT',
      ].join('\r\n'),
    ),
  );
  expect(events[0]!.occurrences).toEqual(['2027-01-11T09:00:00']);
  expect(notes.map((n) => n.code)).toEqual(['recurrence-odd']);
});

test('an identifier with line breaks stays text: nothing of it becomes a component', () => {
  const c = new ShellComposer({ ref: shellRef('s'), title: 's', timeZone: 'Europe/Dublin' });
  const evil = 'a\r\nEND:VTODO\r\nBEGIN:VEVENT\r\nUID:foreign\r\nEND:VEVENT\r\nBEGIN:VTODO';
  c.assignment(evil, 'x', 1, { ref: evil, due: '2027-01-29T23:59:00' as LocalDateTime });
  const composed = c.shell();
  const text = writeCalendar([], { head: '', others: dueDatesAsTodos(composed) });
  const calendarComponent = new ICAL.Component(ICAL.parse(text) as unknown[]);
  expect(calendarComponent.getAllSubcomponents().map((part) => part.name)).toEqual(['vtodo']);
  const bare = { ...composed, items: composed.items.map((i) => ({ ...i, due: null })) };
  expect(applyTodos(bare, read(text).todos).shell.items.map((i) => i.due)).toEqual(
    composed.items.map((i) => i.due),
  );
});

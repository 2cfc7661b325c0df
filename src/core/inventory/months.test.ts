import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { LocalDateTime } from '@/core/dates/local-date';
import { countMonths, timeBars, type MonthCount } from './months';

const at = (text: string) => text as LocalDateTime;
const month = (text: string, created: number, changed = 0, due = 0): MonthCount => ({
  month: text,
  made: created,
  changed,
  due,
});

test('things are counted in the months in which they were made, changed and are due', () => {
  const c = new ShellComposer();
  c.page('Gauges', '<p>Read the gauge.</p>', { ref: 'a' });
  c.page('Weirs', '<p>Mind the weir.</p>', { ref: 'b' });
  const shell = c.shell();
  const dates = [
    { created: at('2025-08-18T10:00:00'), modified: at('2026-12-02T09:00:00'), due: null },
    { created: at('2025-08-30T10:00:00'), modified: null, due: at('2027-02-01T23:59:59') },
  ];
  const items = shell.items.map((item, n) => ({ ...item, ...dates[n] }));
  expect(countMonths({ ...shell, items, files: [] })).toEqual([
    month('2025-08', 2),
    month('2026-12', 0, 1),
    month('2027-02', 0, 0, 1),
  ]);
});

test('months without anything stand between, so that old peaks lie far off', () => {
  const bars = timeBars([month('2026-11', 3), month('2027-02', 0, 0, 5)]);
  expect(bars.map((bar) => [bar.span, bar.made, bar.due])).toEqual([
    ['2026-11', 3, 0],
    ['2026-12', 0, 0],
    ['2027-01', 0, 0],
    ['2027-02', 0, 5],
  ]);
  expect(timeBars([])).toEqual([]);
});

test('more than ten years are gathered by year', () => {
  const bars = timeBars([month('2010-12', 1), month('2011-01', 2), month('2026-06', 4)]);
  expect(bars.length).toBe(17);
  expect([bars[0], bars[1], bars.at(-1)]).toMatchObject([
    { span: '2010', made: 1 },
    { span: '2011', made: 2 },
    { span: '2026', made: 4 },
  ]);
  // Ten years to the month are still shown by month.
  expect(timeBars([month('2017-01', 1), month('2026-12', 1)]).length).toBe(120);
});

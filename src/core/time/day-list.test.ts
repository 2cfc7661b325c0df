import fc from 'fast-check';
import { readDayList, spellDayList } from './day-list';
import { addDays, type LocalDate } from '@/core/dates/local-date';

test.each([
  ['', []],
  ['2027-04-02', ['2027-04-02']],
  ['2027-03-15..2027-03-17,2027-04-02', ['2027-03-15', '2027-03-16', '2027-03-17', '2027-04-02']],
  [' 2027-02-28 .. 2027-03-01 , 2027-02-28 ', ['2027-02-28', '2027-03-01']],
])('%j is read', (text, days) => expect(readDayList(text)).toEqual({ ok: true, value: days }));

test.each([
  ['2027-03-17..2027-03-15', /“2027-03-17..2027-03-15” ends before it begins/],
  ['2027-02-30', /“2027-02-30” is no day/],
  ['2027-03-01..', /“” is no day/],
  ['soon', /“soon” is no day/],
  ['2027-01-01..2037-01-01', /longer than 1000 days/],
])('%j is refused with a sentence', (text, says) =>
  expect(readDayList(text)).toMatchObject({ ok: false, trouble: { message: expect.stringMatching(says) } }),
);

test('what is written is read again (property)', () => {
  const day = fc.integer({ min: 0, max: 400 }).map((n) => addDays('2026-08-01' as LocalDate, n));
  fc.assert(
    fc.property(fc.array(day, { maxLength: 40 }), (days) =>
      expect(readDayList(spellDayList(days))).toEqual({ ok: true, value: [...new Set(days)].sort() }),
    ),
    { seed: 5 },
  );
});

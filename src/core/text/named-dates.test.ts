import { DateTime } from 'luxon';
import fc from 'fast-check';
import { isoWeekday, parseLocalDate } from '@/core/dates/local-date';
import { english } from './english';
import { namedDates } from './named-dates';
import { namedTerms, shortTerms } from './named-terms';
import { sentenceAround } from './sentence';

const spell = (text: string) =>
  namedDates(text, english).map(
    (d) =>
      d.readings.map((r) => `${r.year ?? '-'}/${r.month}/${r.day}`).join(' or ') +
      (d.weekday ? ` on ${d.weekday}` : ''),
  );

test.each([
  ['14 October 2025', ['2025/10/14']],
  ['the 14th of October, 2025', ['2025/10/14']],
  ['October 14th, 2025', ['2025/10/14']],
  ['Oct. 14 2025', ['2025/10/14']],
  ['OCTOBER 14', ['-/10/14']],
  ['14–16 October 2025', ['2025/10/16']],
  ['October 14–16, 2025', ['2025/10/14']],
  ['Tuesday, 14 October (weekly)', ['-/10/14 on 2']],
  ['14 October (Tuesday)', ['-/10/14 on 2']],
  ['2025-10-14', ['2025/10/14']],
  ['14/10/2025', ['2025/10/14']],
  ['10/14/25', ['2025/10/14']],
  ['3/4/2025', ['2025/4/3 or 2025/3/4']],
  ['14.10.2025', ['2025/10/14']],
  ['1 May and 2 May', ['-/5/1', '-/5/2']],
  ['Week 3 March 5', ['-/3/5']],
  ['October 2025', []],
  ['31 February', []],
  ['may 3 come', []],
  ['In May, 300 stones', []],
  ['Marchers 5', []],
  ['version 1.10.2025.3', []],
  ['10.5.25', []],
  ['March 3:15', []],
  // Punctuation behind a day is no time and no further figure.
  ['Wed., Apr. 8: bring waders', ['-/4/8 on 3']],
  ['Apr 8:30', []],
  ['April 8; then rest', ['-/4/8']],
  ['on Monday, 6/17/2031.', ['2031/6/17 on 1']],
  ['6/17/2031.4', []],
  ['by 17.6.2031. Then', ['2031/6/17']],
  ['2031-05-06.', ['2031/5/6']],
  ['2031-05-06-07', []],
  // A weekday before or behind, in brackets or not.
  ['2031-05-06 (Sunday)', ['2031/5/6 on 7']],
  ['12.5.2027 (Wed.)', ['2027/5/12 on 3']],
  ['12 May 2027, Wednesday.', ['2027/5/12 on 3']],
  ['12 May 2027, Wednesday groups meet', ['2027/5/12']],
  ['Wednesday (12 May 2027)', ['2027/5/12 on 3']],
  ['(Wednesday) 12 May 2027', ['2027/5/12 on 3']],
  // With hyphens.
  ['12-May-2027', ['2027/5/12']],
  ['8-12-May', []],
])('%s', (text, dates) => expect(spell(text)).toEqual(dates));

test('weekdays agree with another date library, for every day from 1990 to 2040 (property)', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 18_600 }), (n) => {
      const day = DateTime.fromISO('1990-01-01', { zone: 'UTC' }).plus({ days: n });
      expect(isoWeekday(parseLocalDate(day.toISODate()!)!)).toBe(day.weekday);
      // Spelled by that library, read by ours.
      const [found] = namedDates(`We meet on ${day.setLocale('en').toFormat('cccc, d LLLL yyyy')}.`, english);
      expect(found).toMatchObject({
        weekday: day.weekday,
        readings: [{ year: day.year, month: day.month, day: day.day }],
      });
    }),
    { numRuns: 300 },
  );
});

// ISO 8601-1:2019 names 12 April 1985, day 102 of that year, as its running example; it was a Friday (from memory).
test('the example day of ISO 8601', () => expect(isoWeekday(parseLocalDate('1985-04-12')!)).toBe(5));

test.each([
  ['Spring 2025', ['season spring 2025']],
  ['Fall ’24', ['season autumn 2024']],
  ["Fall '24: plan", ['season autumn 2024']],
  ['Winter 21', ['season winter 2021']],
  ['Winter 2025-26', ['season winter 2026']],
  ['spring semester 2025', ['season spring 2025']],
  ['2025 Spring', ['season spring 2025']],
  ['2023-24', ['year 2023']],
  ['AY 2024/25', ['year 2024']],
  ['1999/00', ['year 1999']],
  ['Semester 1, 2025', ['numbered semester 1 2025']],
  ['second term of 2024', ['numbered term 2 2024']],
  ['2025 Semester 2', ['numbered semester 2 2025']],
  ['Autumn 2025 and Spring 2026', ['season autumn 2025', 'season spring 2026']],
  ['2019–2023', []],
  ['the spring 2025', []],
  ['Spring 20 cm below', []],
  ['Fall 10%', []],
  ['2024-25-01', []],
  ['Summer', []],
])('%s', (text, terms) =>
  expect(
    namedTerms(text, english).map(({ means: m }) => {
      if (m.kind === 'season') return `season ${m.season} ${m.year}`;
      return m.kind === 'year' ? `year ${m.from}` : `${m.kind} ${m.word} ${m.number} ${m.year}`;
    }),
  ).toEqual(terms),
);

test.each([
  ['Quiz F24', ['F24']],
  ['SP25 plan', ['SP25']],
  ['FA2023', ['FA2023']],
  ['F12', []],
  ['B52', []],
  ['SF24', []],
])('short: %s', (text, says) => expect(shortTerms(text, english, 2027).map((t) => t.says)).toEqual(says));

test.each([
  ['One. Two is here. Three.', 'Two', 'Two is here.'],
  ['Meet at 9 a.m. Monday in Hall 3. Bring boots.', 'Monday', 'Meet at 9 a.m. Monday in Hall 3.'],
  ['First line\nsecond line', 'second', 'second line'],
  ['See fig. 3 for more. Then go.', 'fig', 'See fig. 3 for more.'],
  ['Is it? Yes, it is.', 'Yes', 'Yes, it is.'],
])('the sentence of %s', (text, word, sentence) => {
  const at = text.indexOf(word);
  expect(sentenceAround(text, at, at + word.length).text.trim()).toBe(sentence);
});

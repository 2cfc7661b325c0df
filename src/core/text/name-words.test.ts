import { english } from './english';
import { nameWords } from './name-words';
import { namedTerms } from './named-terms';

test.each([
  ['files/seminar-plan_2021-22.odt', 'seminar plan 2021-22', ['2021-22']],
  ['log_2021-07.odt', 'log 2021-07', []],
  ['plan-2021-2022.pdf', 'plan 2021-2022', ['2021-2022']],
  // A day is no pair of years, whatever its month.
  ['notes_2009-10-14.pdf', 'notes 2009-10-14', []],
  ['Spring_2025_syllabus.pdf', 'Spring 2025 syllabus', ['Spring 2025']],
  ['syllabusSpring2025.pdf', 'syllabusSpring2025', []],
  ['a%20b+c.d.txt', 'a b c d', []],
])('%s', (path, words, terms) => {
  expect(nameWords(path)).toBe(words);
  expect(namedTerms(nameWords(path), english).map((t) => t.says)).toEqual(terms);
});

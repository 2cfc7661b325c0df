import { checkCases } from '../__tests__/check-cases';
import { textFires, textSilent } from '../__tests__/text-cases';
import { textDateOutsideTerm } from './text-date-outside-term';

checkCases(textDateOutsideTerm, {
  fires: [
    ...textFires([
      'Hand in the report by 14 October 2025.',
      'The report is due October 14, 2025.',
      'Deadline: 2025-10-14',
      'Submit until 14 Oct 2025.',
      'The exam is on 12 December 2025 in Hall 3.',
      'The quiz opens on September 1st, 2025.',
      'It closes on 30 September 2025 at noon.',
      'Final presentations are on 10 December 2025.',
      'Upload your data no later than 5 Nov. 2025.',
      'Midterm: 20 October 2025',
      'Due 10/14/2025',
      'Late work is accepted until 1 December 2025.',
      'Register by August 31, 2025.',
      'Exam: 27 December 2026',
      'The form must be returned by 22 May 2027.',
    ]),
    {
      name: 'in a quiz',
      build: (c) =>
        void c.quiz(
          'Q',
          [{ stem: '<p>Submit by 14 October 2025.</p>', answers: ['a'], right: 0, points: 1 }],
          { ref: 'q' },
        ),
      subjects: [['q']],
    },
    {
      name: 'two in one page are one finding',
      build: (c) => void c.page('P', '<p>Due 14 October 2025.</p><p>Due 21 October 2025.</p>', { ref: 'p' }),
      subjects: [['p']],
      expect: ([f]) => expect(f!.evidence).toHaveLength(4),
    },
  ],
  silent: [
    ...textSilent([
      'Hand in the report by 14 February 2027.',
      'The report is due on 20 May 2027.',
      'The exam is on 28 December 2026.',
      'The weir was built on 14 October 1925.',
      'Read the notes of 14 October 2025.',
      'The flood of 3 December 2015 is our example.',
      'Due dates: see the calendar.',
      'Rowe, A. (2019). Published 14 October 2019. Submit nothing.',
      'The treaty was signed on 4 July 1921; submit a summary.',
      'Photographs of 14 October 2025 show the bar.',
      'Due 2/3/2027',
      'Retrieved 14 October 2025 from the archive; due to be moved.',
      'The bank opened in 1999.',
      'Since 1 October 2001 the gauge is read daily until noon.',
      'Version of 14 October 2025',
      'We walked by 14 stations.',
    ]),
    {
      name: 'another sentence asks',
      build: (c) => void c.page('P', '<p>The notes are of 14 October 2025. Submit your own.</p>'),
    },
    {
      name: 'the term is not known',
      build: (c) => {
        c.page('P', '<p>Due 14 October 2025</p>');
        return { term: { title: '', start: null, end: null } };
      },
    },
  ],
});

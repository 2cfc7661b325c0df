import { checkCases } from '../__tests__/check-cases';
import { textFires, textSilent } from '../__tests__/text-cases';
import { weekdayMismatch } from './weekday-mismatch';

// 14 October 2025 is a Tuesday (calendar of ISO 8601; checked against luxon in named-dates.test.ts).
checkCases(weekdayMismatch, {
  fires: [
    ...textFires([
      'We meet on Monday, 14 October 2025.',
      'Monday, October 14, 2025: field day',
      'Mon 14 Oct 2025',
      'Hand in by Friday, October 14th, 2025.',
      'The talk is on 14 October 2025 (Wednesday).',
      'Thursday 2025-10-14 at nine',
      'Sunday, 14/10/2025',
      'The quiz opens Monday, February 2.',
      'Due Tuesday, 1 March.',
      'Bring boots on Wednesday, April 12th.',
      'Friday the 3rd of May is the last day.',
      'Sat. 4 March: cleaning of the flume',
      'See you on 9 April, a Monday.',
      'Tues., Feb. 3 – velocity',
      'Field day: Thurs, 26 March',
    ]),
    {
      name: 'the evidence says in which years it is right',
      build: (c) => void c.page('P', '<p>Due Tuesday, 14 April.</p>', { ref: 'p' }),
      subjects: [['p']],
      expect: ([f]) => expect(f!.evidence[1]!.value).toMatch(/2020, 2026/),
    },
    {
      name: 'in a title',
      build: (c) => void c.assignment('Report, due Monday 5 March', '<p>x</p>', 5, { ref: 'a' }),
      subjects: [['a']],
    },
  ],
  silent: [
    ...textSilent([
      'We meet on Tuesday, 14 October 2025.',
      'Tue 14 Oct 2025',
      'The talk is on 14 October 2025 (Tuesday).',
      'Tuesday 2025-10-14',
      'Due Monday, 1 March.',
      'The quiz opens Tuesday, February 2.',
      'On Monday, 14 October 1991, the gauge stood at two metres.',
      'The bridge fell on Friday, March 3.',
      'It was on Sunday, 4 April that the ice broke.',
      'Mondays and 14 October',
      'Every Monday. 14 October is a holiday.',
      'Sunday, 12/10/2025',
      'Sun and wind, 14 October 2025',
      'Week 3, Monday: 5 stations',
      'Monday to Friday, 1 to 5 March',
      'Compare Monday, 5 March with the flood of 1998.',
    ]),
    { name: 'quoted', build: (c) => void c.page('P', '<blockquote>Monday, 14 October 2025</blockquote>') },
    {
      name: 'no year, and the term is not known',
      build: (c) => {
        c.page('P', '<p>Monday, 14 October</p>');
        return { term: { title: '', start: null, end: null } };
      },
    },
  ],
});

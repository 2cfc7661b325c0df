import { checkCases } from '../__tests__/check-cases';
import { textFires, textSilent } from '../__tests__/text-cases';
import { textDayOutsideTerm } from './text-day-outside-term';

checkCases(textDayOutsideTerm, {
  fires: [
    ...textFires([
      'The report is due October 14.',
      'Hand it in by 14 October.',
      'Deadline: Oct. 14th',
      'The quiz opens on September 1.',
      'Submit until 30 November.',
      'The exam is on December 10 in Hall 3.',
      'Midterm: 20 October',
      'It closes November 3 at noon.',
      'Final presentations are on 1 December.',
      'Turn in your field book by Sept. 15.',
      'Due: Friday, 24 October.',
      'Upload the data before midnight on 5 November.',
      'Register by August 31.',
      'The essay must be sent by the 14th of October.',
      'Quiz 3 is on June 21.',
    ]),
    {
      name: 'in an assignment’s title',
      build: (c) => void c.assignment('Report (14 October)', '<p>x</p>', 5, { ref: 'a' }),
      subjects: [['a']],
    },
    {
      name: 'in an announcement’s title',
      build: (c) => {
        c.page('No class on 14 October', '<p>x</p>', { ref: 'p' });
        return { items: c.shell().items.map((i) => ({ ...i, kind: 'announcement' as const })) };
      },
      subjects: [['p']],
    },
    {
      name: 'the evidence says the week and the day of this term',
      build: (c) => void c.page('P', '<p>Due October 14.</p>', { ref: 'p' }),
      subjects: [['p']],
      expect: ([f]) =>
        expect(f!.evidence[1]).toEqual({
          label: 'Week 8 of the previous term',
          value: 'in this term it would be Tuesday, 2 March 2027',
        }),
    },
  ],
  silent: [
    ...textSilent([
      'The report is due March 14.',
      'Hand it in by 20 May.',
      'The quiz opens on 1 January.',
      'We read the notes of 14 October.',
      'Due October 14, 2027.',
      'The report of 2019 was due on 14 October.',
      'The exam is never on a holiday such as December 25.',
      'Submit a poem for Earth Day, 22 September.',
      'The flood of 14 October broke the record; submit a summary.',
      'Every year on October 14 we close the gate.',
      'On 14 October the ice was gone.',
      'Week 3 October is due',
      'Chapter 14 October tales',
      'Rowe, A., 14 October, Stream Notes vol. 3, due back to the library',
      'They may 14 times be due.',
      'Due in 14 days.',
    ]),
    { name: 'in a page’s title', build: (c) => void c.page('Notes of 14 October', '<p>x</p>') },
    {
      name: 'the term is not known',
      build: (c) => {
        c.page('P', '<p>Due October 14</p>');
        return { term: { title: '', start: null, end: null } };
      },
    },
  ],
});

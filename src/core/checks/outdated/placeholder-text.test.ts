import { checkCases } from '../__tests__/check-cases';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { textFires, textSilent, titleFires, titleSilent } from '../__tests__/text-cases';
import { placeholderText } from './placeholder-text';

checkCases(placeholderText, {
  fires: [
    ...textFires([
      'Lorem ipsum dolor sit amet.',
      'Instructor: [insert name]',
      '[Insert your office hours here]',
      'Contact: [your e-mail]',
      'Hello, I am your name here.',
      'Room: TBD',
      'Office hours: TBA',
      'Click to add text',
      'Click here to edit this page.',
      'Replace this text with a welcome.',
      'Delete this paragraph before the term.',
      'Due on XX/XX',
      'Meeting on XX/XX/XXXX',
      '[Instructor name]',
      'Text goes here',
      'Placeholder text',
      'Instructions for teachers: set the dates first.',
      'Note to instructor: add the room.',
      '[Enter the title of the course]',
    ]),
    ...titleFires(['Untitled', 'Untitled page', 'Untitled (2)', 'New page', 'Week 3: [insert topic]', 'TBA']),
    {
      name: 'a phrase of the house rules',
      build: (c) => void c.page('P', '<p>Your faculty’s statement  follows.</p>', { ref: 'p' }),
      subjects: [['p']],
      rules: { placeholderPhrases: ['your faculty’s statement'] },
    },
    ...[
      ['is nothing but that', '[Insert question text]'],
      ['asks for a word', 'Which river is this? [insert word]'],
      ['misses its figure', 'The gauge of [insert figure 3] stands too low.'],
    ].map(([name, stem]) => ({
      name: `the stem of a question ${name}`,
      build: (c: ShellComposer) =>
        void c.quiz('Q', [{ stem: stem ?? '', answers: ['stage', 'bed'], right: 0, points: 1 }], {
          ref: 'q',
        }),
      subjects: [['q']],
    })),
    {
      name: 'a page that is hidden',
      build: (c) => void c.page('P', '<p>Room: TBD</p>', { ref: 'p', shown: false }),
      subjects: [['p']],
    },
    {
      name: 'several are one finding',
      build: (c) => void c.page('P', '<p>Room: TBD. Name: [insert name]</p>', { ref: 'p' }),
      subjects: [['p']],
      expect: ([f]) => expect(f!.title).toMatch(/and 1 more/),
    },
  ],
  silent: [
    ...textSilent([
      'Insert the rod into the bed.',
      'Write your name on the sheet.',
      'Click the map to add a point.',
      'The stream [insert a noun] ______ over stones.',
      'Fill in the blank: the [insert word] rises.',
      'The text [see figure 3] goes on.',
      'Size XX is too large.',
      'Chapter XX',
      'Tubes and bottles',
      'The placeholder of the rod is steel.',
      'Replace the battery.',
      'Delete this file from your own computer when done? No.',
      'An untitled drawing hangs in the hall.',
      'Ask [Rowe 2019] for more.',
      'Rooms on pages XX–XXI',
      'Here your name counts.',
      'Send a note to the instructor when you are late.',
      'The instructions for teachers in 1920 were short.',
    ]),
    ...titleSilent(['New methods', 'The untitled stream', 'Newcomers']),
    { name: 'code', build: (c) => void c.page('P', '<pre>name = "[insert name]"</pre>') },
    {
      name: 'a quiz with brackets',
      build: (c) =>
        void c.quiz('Q', [
          { stem: 'The [insert word] rises.', answers: ['stage', 'bed'], right: 0, points: 1 },
          { stem: 'It rises by [insert number] cm.', answers: ['12', '40'], right: 0, points: 1 },
        ]),
    },
    {
      name: 'a phrase that is only part of a word',
      build: (c) => void c.page('P', '<p>Superdraft</p>'),
      rules: { placeholderPhrases: ['draft'] },
    },
  ],
});

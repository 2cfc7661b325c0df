import { checkCases } from '../__tests__/check-cases';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { noSyllabus } from './no-syllabus';

const page = (title: string) => (c: ShellComposer) => void c.page(title, '<p>x</p>');

checkCases(noSyllabus, {
  fires: [
    {
      name: 'a page of another name',
      build: page('Welcome'),
      subjects: [['case']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    { name: 'modules only', build: (c) => void c.module('Week 1'), subjects: [['case']] },
    {
      name: 'a file of another name',
      build: (c) => void [c.module('M'), c.file('plan.pdf', 'x')],
      subjects: [['case']],
    },
    { name: 'only part of the word', build: page('Syllables of bird song'), subjects: [['case']] },
    {
      name: 'named in a text',
      build: (c) => void c.page('Welcome', '<p>Read the syllabus.</p>'),
      subjects: [['case']],
    },
    {
      name: 'a quiz',
      build: (c) => void c.quiz('Check', [{ stem: 'x', answers: ['a'], right: 0, points: 1 }]),
      subjects: [['case']],
    },
  ],
  silent: [
    { name: 'a page', build: page('Syllabus') },
    { name: 'in a longer name', build: page('HYD 214 syllabus and calendar') },
    { name: 'a course outline', build: page('Course outline') },
    { name: 'a file', build: (c) => void [c.module('M'), c.file('docs/hyd-214_syllabus.pdf', 'x')] },
    { name: 'a handbook', build: page('Course handbook') },
    {
      name: 'marked by its use',
      build: (c) => {
        c.page('About this course', '<p>x</p>');
        const s = c.shell();
        return { contents: s.contents.map((x) => ({ ...x, intendedUse: 'syllabus' })) };
      },
    },
    { name: 'an empty shell', build: () => undefined },
  ],
});

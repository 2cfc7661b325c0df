import { checkCases, day } from '../__tests__/check-cases';
import { textFires, textSilent, titleFires, titleSilent } from '../__tests__/text-cases';
import { pastTermMention } from './past-term-mention';

checkCases(pastTermMention, {
  fires: [
    ...textFires([
      'Welcome to Autumn 2025!',
      'The schedule of Spring 2025 stands below.',
      'Office hours, Fall ’24: Mondays at ten.',
      'Readings for Winter 21 are on reserve.',
      'Semester 1, 2025 begins on a Monday.',
      'This page was made for 2023-24.',
      'Academic year 2024/25',
      'AY 2024–2025: field sites',
      'In the fall semester 2025 we meet in Hall 3.',
      'Dates of the second semester 2024',
      'Term 2 2025 timetable',
      'Summer 2026 students hand in on paper.',
      '2025 Fall schedule',
      'The plan for Spring  2026 and Spring 2027',
      'Projects of last year (Autumn 2025) may be read in the library.',
    ]),
    ...titleFires(['Syllabus F24', 'Lab plan SP25', 'Quiz bank FA 23', 'Schedule, Autumn 2025']),
    {
      name: 'a file’s name',
      build: (c) => void c.file('docs/schedule_Fall2024.pdf', 'x'),
      subjects: [['docs/schedule_Fall2024.pdf']],
    },
    {
      name: 'a picture’s alternative text',
      build: (c) => void c.page('P', '<img src="x.png" alt="Group photo, Spring 2025">', { ref: 'p' }),
      subjects: [['p']],
      expect: ([f]) => expect(f!.evidence[0]!.label).toMatch(/alternative/),
    },
    {
      name: 'title and text of one item are one finding',
      build: (c) => void c.page('Autumn 2025', '<p>Welcome to Spring 2025.</p>', { ref: 'p' }),
      subjects: [['p']],
      expect: ([f]) => expect(f!.evidence).toHaveLength(2),
    },
    {
      name: 'the roster’s school year',
      build: (c) => {
        c.page('P', '<p>Plan for 2025-26</p>', { ref: 'p' });
        return { schoolYear: { title: '2026-27', start: day('2026-09-01'), end: day('2027-08-31') } };
      },
      subjects: [['p']],
    },
  ],
  silent: [
    ...textSilent([
      'Welcome to Spring 2027!',
      'The course is given again in Autumn 2027.',
      'Records since 2019 show a rise.',
      'The flood of spring 2013 moved the gauge.',
      'Rating published in Spring 2021.',
      'The academic year 2026-27 begins in July.',
      'Discharge from 2011-12 to 2015-16 is in the data set.',
      '© Autumn 2019 Tarn Hollow College',
      'Copyright Spring 2020, the authors.',
      'Rowe, A. (2019). Riffles. Stream Notes, Spring 2019, 12–14.',
      'See the Journal of Stream Notes, Winter 2020.',
      'In spring 12 of 20 stones were turned.',
      'The spring 20 m upstream feeds the pool.',
      'Water years 2001–2021 were compared.',
      'Data of winter 2018 are missing.',
      'Stage fell by 2025 millimetres.',
      'In winter 2019 ice covered the weir.',
    ]),
    ...titleSilent([
      'Spring streams',
      'Fall of a leaf',
      'F12 and other keys',
      'Route S3',
      'Quiz SP27',
      'Version 2025',
    ]),
    {
      name: 'in a list of references',
      build: (c) =>
        void c.page(
          'P',
          '<p>Text.</p><h2>References</h2><ul><li>Stream Notes, Fall 2014, on riffles</li></ul>',
        ),
    },
    { name: 'quoted', build: (c) => void c.page('P', '<blockquote>We began in Autumn 2025.</blockquote>') },
    { name: 'code', build: (c) => void c.page('P', '<pre>term = "Autumn 2025"</pre>') },
    {
      name: 'the term is not known',
      build: (c) => {
        c.page('P', '<p>Autumn 2025</p>');
        return { term: { title: '', start: null, end: null } };
      },
    },
  ],
});

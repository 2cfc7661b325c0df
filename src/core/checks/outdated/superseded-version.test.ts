import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { supersededVersion } from './superseded-version';
import { compareVersions, versionOf } from './versions';
import { english } from '@/core/text/english';

const pages =
  (...titles: string[]) =>
  (c: ShellComposer) =>
    titles.forEach((t, k) => void c.page(t, `<p>${k} of these</p>`, { ref: `p${k + 1}` }));
const files =
  (...paths: string[]) =>
  (c: ShellComposer) =>
    paths.forEach((p) => void c.file(p, p));

checkCases(supersededVersion, {
  fires: [
    {
      name: 'v1 and v2',
      build: pages('Field guide v1', 'Field guide v2'),
      subjects: [['p1', 'p2']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          keep: 'p2',
          remedy: { action: 'delete', targets: ['p1'], kind: 'judgement' },
        }),
    },
    {
      name: 'draft and final',
      build: pages('Report rules (final)', 'Report rules (draft)'),
      subjects: [['p1', 'p2']],
      expect: ([f]) => expect(f!.keep).toBe('p1'),
    },
    {
      name: 'old, and without a mark',
      build: pages('Safety old', 'Safety'),
      subjects: [['p1', 'p2']],
      expect: ([f]) => expect(f!.keep).toBe('p2'),
    },
    {
      name: 'revisions by letter',
      build: files('doc/permit rev A.pdf', 'doc/permit rev B.pdf'),
      subjects: [['doc/permit rev A.pdf', 'doc/permit rev B.pdf']],
    },
    {
      name: 'two years',
      build: files('syllabus_2025.pdf', 'syllabus_2027.pdf'),
      subjects: [['syllabus_2025.pdf', 'syllabus_2027.pdf']],
      expect: ([f]) => expect(f!.remedy!.targets).toEqual(['syllabus_2025.pdf']),
    },
    {
      name: 'two terms',
      build: pages('Reading list, Autumn 2025', 'Reading list, Spring 2027'),
      subjects: [['p1', 'p2']],
    },
    {
      name: 'two dates',
      build: files('plan-2026-09-01.docx', 'plan-2026-11-14.docx'),
      subjects: [['plan-2026-09-01.docx', 'plan-2026-11-14.docx']],
    },
    {
      name: 'three versions: the newest stays',
      build: pages('Guide v1', 'Guide v3', 'Guide v2'),
      subjects: [['p1', 'p2', 'p3']],
      expect: ([f]) => expect(f!.keep).toBe('p2'),
    },
    {
      name: 'v1.9 and v1.10',
      build: pages('Guide v1.10', 'Guide v1.9'),
      subjects: [['p1', 'p2']],
      expect: ([f]) => expect(f!.keep).toBe('p1'),
    },
    {
      name: 'without a number, and v2',
      build: pages('Guide', 'Guide v2'),
      subjects: [['p1', 'p2']],
      expect: ([f]) => expect(f!.keep).toBe('p2'),
    },
    {
      name: 'version 1 and version 2 in words',
      build: pages('Guide, version 1', 'Guide, version 2'),
      subjects: [['p1', 'p2']],
    },
    {
      name: 'the dated one beside one without a date',
      build: files('map-2019.pdf', 'map.pdf'),
      subjects: [['map-2019.pdf', 'map.pdf']],
      expect: ([f]) => expect(f!.keep).toBe('map.pdf'),
    },
    {
      name: 'links to the older lead to the newest',
      build: (c) => {
        pages('Guide v1', 'Guide v2')(c);
      },
      subjects: [['p1', 'p2']],
      expect: ([f]) => expect(f!.remedy!.params.relink).toEqual({ p1: 'p2' }),
    },
    {
      name: 'in different modules',
      build: (c) =>
        ['v1', 'v2'].forEach(
          (v) => void c.page(`Guide ${v}`, `<p>${v}</p>`, { ref: v, parent: c.module(`In ${v}`) }),
        ),
      subjects: [['v1', 'v2']],
    },
    { name: 'superseded', build: pages('Key (superseded)', 'Key'), subjects: [['p1', 'p2']] },
  ],
  silent: [
    { name: 'numbers of a series', build: pages('Lab 1', 'Lab 2') },
    {
      name: 'three years are a series',
      build: files('report_2023.pdf', 'report_2024.pdf', 'report_2025.pdf'),
    },
    { name: 'other names', build: pages('Field guide v1', 'Lab guide v2') },
    {
      name: 'other kinds',
      build: (c) => {
        c.page('Guide v1', '<p>x</p>');
        c.assignment('Guide v2', '<p>y</p>', 5);
      },
    },
    { name: 'other types of file', build: files('guide v1.pdf', 'guide v2.docx') },
    { name: 'the same mark', build: pages('Guide v2', 'Guide v2') },
    { name: 'one alone', build: pages('Guide v1') },
    { name: 'pictures', build: files('bridge-2019.png', 'bridge-2021.png') },
    { name: 'nothing but a number', build: pages('v1', 'v2') },
    { name: 'final exam and exam are two things', build: pages('Final week plan', 'First week plan') },
    {
      name: 'modules',
      build: (c) =>
        ['Part v1', 'Part v2'].forEach((t) => void c.page('P', `<p>${t}</p>`, { parent: c.module(t) })),
    },
    { name: 'style sheets', build: files('look v1.css', 'look v2.css') },
    { name: 'roman numbers', build: pages('Sonata I', 'Sonata II') },
    { name: 'only the case differs', build: pages('Guide', 'GUIDE') },
    { name: 'week numbers', build: pages('Week 3 plan', 'Week 4 plan') },
  ],
});

test.each([
  ['Guide v2.1', 'Guide', [2, 1], null, 0],
  ['permit rev C', 'permit', [3], null, 0],
  ['Report (draft)', 'Report', [], null, -1],
  ['Report, Autumn 2025', 'Report', [], '2025-09', 0],
  ['plan 2026-09-01', 'plan', [], '2026-09-01', 0],
  ['2024', '', [], '2024', 0],
])('%s', (name, base, numbers, date, word) =>
  expect(versionOf(name, english)).toMatchObject({ base, version: { numbers, date, word } }),
);

test('older first', () => {
  const v = (name: string) => versionOf(name, english).version;
  expect(compareVersions(v('A draft'), v('A final'))).toBeLessThan(0);
  expect(compareVersions(v('A'), v('A v2'))).toBeLessThan(0);
  expect(compareVersions(v('A Spring 2025'), v('A Autumn 2025'))).toBeLessThan(0);
  expect(compareVersions(v('A'), v('A'))).toBe(0);
});

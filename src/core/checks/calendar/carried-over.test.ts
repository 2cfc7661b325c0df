import type { CourseEvent } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { carriedOver } from './carried-over';

const morningOf = (day: string) => `${day}T08:00:00` as LocalDateTime;
const holding =
  (events: CourseEvent[], previousEvents: CourseEvent[] | null = null) =>
  () => ({ events, previousEvents });

checkCases(carriedOver, {
  fires: [
    {
      name: 'made a year before the term: one finding for the title',
      build: holding([
        event('a', 'Lab', '2027-01-12T10:00:00', { created: morningOf('2025-08-18') }),
        event('b', 'Lab', '2027-01-19T10:00:00', { created: morningOf('2025-08-18') }),
      ]),
      subjects: [['a', 'b']],
      expect: ([f]) =>
        expect(f).toMatchObject({
          urgency: 'fix-first',
          remedy: { action: 'delete', targets: ['a', 'b'], kind: 'judgement' },
        }),
    },
    {
      name: 'exactly 60 days before the first day',
      build: holding([event('a', 'Talk', '2027-02-01T10:00:00', { created: morningOf('2026-11-12') })]),
      subjects: [['a']],
    },
    {
      name: 'stamped long ago, made unknown',
      build: holding([event('a', 'Talk', '2027-02-01T10:00:00', { stamped: morningOf('2026-05-01') })]),
      subjects: [['a']],
    },
    {
      name: 'two titles with one link are one finding',
      build: holding([
        event('a', 'Lab A', '2027-01-12T10:00:00', {
          created: morningOf('2025-08-18'),
          links: ['https://x.example/join/1'],
        }),
        event('b', 'Lab B', '2027-01-13T10:00:00', {
          created: morningOf('2025-08-19'),
          links: ['https://x.example/join/1'],
        }),
      ]),
      subjects: [['a', 'b']],
    },
    {
      name: 'three events with the same link, each the same number of days after one of last term',
      build: holding(
        [11, 18, 25].map((d) =>
          event(`n${d}`, 'Seminar', `2027-01-${d}T10:00:00`, { links: ['https://x.example/join/9'] }),
        ),
        ['2025-08-25', '2025-09-01', '2025-09-08'].map((d) =>
          event(`o${d}`, 'Seminar of old', `${d}T15:00:00`, { links: ['https://x.example/join/9'] }),
        ),
      ),
      subjects: [['n11', 'n18', 'n25']],
      expect: ([f]) =>
        expect(f!.evidence).toContainEqual({
          label: 'Moved along by',
          value: '504 days from the previous term’s calendar',
        }),
    },
    {
      name: 'title and time of day of three titles that moved alike',
      build: holding(
        ['Lecture', 'Lab', 'Talk'].map((t, n) => event(t, t, `2027-02-0${n + 1}T1${n}:00:00`)),
        ['Lecture', 'Lab', 'Talk'].map((t, n) => event(`o${t}`, t, `2025-09-1${n + 5}T1${n}:00:00`)),
      ),
      subjects: [['Lecture'], ['Lab'], ['Talk']],
      expect: ([f]) => expect(f!.title).toMatch(/504 days earlier/),
    },
    {
      name: 'a series with one date inside the term and a changed occurrence of it',
      build: holding([
        event('s', 'Clinic', '2025-09-01T10:00:00', {
          created: morningOf('2025-08-01'),
          recurrence: { rule: 'FREQ=YEARLY', extraDates: [], excludedDates: [] },
          occurrences: ['2025-09-01T10:00:00', '2027-02-01T10:00:00'] as LocalDateTime[],
        }),
        event('s#20270201T100000', 'Clinic, moved', '2027-02-02T10:00:00', {
          created: morningOf('2025-08-01'),
        }),
      ]),
      subjects: [['s', 's#20270201T100000']],
    },
  ],
  silent: [
    {
      name: '59 days before',
      build: holding([event('a', 'Talk', '2027-02-01T10:00:00', { created: morningOf('2026-11-13') })]),
    },
    {
      name: 'outside the term',
      build: holding([event('a', 'Talk', '2026-12-20T10:00:00', { created: morningOf('2025-08-18') })]),
    },
    { name: 'nothing known of its making', build: holding([event('a', 'Talk', '2027-02-01T10:00:00')]) },
    {
      name: 'only two titles moved alike',
      build: holding(
        ['Lecture', 'Lab'].map((t, n) => event(t, t, `2027-02-0${n + 1}T1${n}:00:00`)),
        ['Lecture', 'Lab'].map((t, n) => event(`o${t}`, t, `2025-09-1${n + 5}T1${n}:00:00`)),
      ),
    },
    {
      name: 'three titles as last term, each by another number of days',
      build: holding(
        ['Lecture', 'Lab', 'Talk'].map((t, n) => event(t, t, `2027-02-0${n + 1}T1${n}:00:00`)),
        ['Lecture', 'Lab', 'Talk'].map((t, n) => event(`o${t}`, t, `2025-09-1${2 * n + 1}T1${n}:00:00`)),
      ),
    },
    {
      name: 'the same as last term, but made after that had ended',
      build: holding(
        ['Lecture', 'Lab', 'Talk'].map((t, n) =>
          event(t, t, `2027-02-0${n + 1}T1${n}:00:00`, { created: morningOf('2026-12-20') }),
        ),
        ['Lecture', 'Lab', 'Talk'].map((t, n) => event(`o${t}`, t, `2025-09-1${n + 5}T1${n}:00:00`)),
      ),
    },
    {
      name: 'a term that nobody told',
      build: () => ({
        events: [event('a', 'Talk', '2027-02-01T10:00:00', { created: morningOf('2020-01-01') })],
        term: { title: '', start: null, end: null },
      }),
    },
  ],
});

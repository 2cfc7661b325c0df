import type { CourseEvent } from '@/core/shell/model';
import { addDays, type LocalDateTime } from '@/core/dates/local-date';
import { checkCases, day, shellFrom } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';
import { unconfirmedMeeting } from './unconfirmed-meeting';

const join = 'https://rooms.example/join/seminar';
const at = (second: number) =>
  `2026-12-02T09:${String(14 + Math.floor(second / 60)).padStart(2, '0')}:${String(second % 60).padStart(2, '0')}` as LocalDateTime;
const meetings = (n: number, over: (k: number) => Partial<CourseEvent> = () => ({}), title = 'Seminar') =>
  Array.from({ length: n }, (_, k) =>
    event(`${title}-${String(k).padStart(2, '0')}`, title, `${addDays(day('2027-01-12'), 7 * k)}T10:00:00`, {
      links: [join],
      created: at(k),
      ...over(k),
    }),
  );
const refs = (events: readonly CourseEvent[]) => events.map((e) => e.ref as string);
const ten = meetings(10);

checkCases(unconfirmedMeeting, {
  fires: [
    {
      name: 'ten made within ten seconds: one question',
      build: () => ({ events: ten }),
      subjects: [refs(ten)],
      expect: ([f]) =>
        expect(f).toMatchObject({
          remedy: { kind: 'judgement' },
          title: expect.stringMatching(/^Are 10 of “Seminar”/),
        }),
    },
    {
      name: 'exactly a minute apart',
      build: () => ({ events: meetings(10, (k) => ({ created: at(k === 9 ? 60 : 0) })) }),
      subjects: [refs(ten)],
    },
    {
      name: 'two series made together are two questions',
      build: () => ({
        events: [
          ...meetings(6),
          ...meetings(6, () => ({ links: ['https://rooms.example/join/b'] }), 'Clinic'),
        ],
      }),
      subjects: [refs(meetings(6)), refs(meetings(6, undefined, 'Clinic'))],
    },
    {
      name: 'one link under two titles is one series',
      build: () => ({ events: [...meetings(6), ...meetings(6, undefined, 'Clinic')] }),
      subjects: [[...refs(meetings(6)), ...refs(meetings(6, undefined, 'Clinic'))]],
    },
    {
      name: 'by stamps that span more than a day',
      build: () => ({
        events: [
          ...meetings(10, (k) => ({ created: null, stamped: at(k) })),
          event('z', 'Other', '2027-02-01T10:00:00', { stamped: '2026-12-09T10:00:00' as LocalDateTime }),
        ],
      }),
      subjects: [refs(ten)],
    },
    {
      name: 'eleven of which one was made later',
      build: () => ({
        events: meetings(11, (k) => (k === 10 ? { created: '2026-12-03T09:14:00' as LocalDateTime } : {})),
      }),
      subjects: [refs(ten)],
    },
  ],
  silent: [
    { name: 'nine', build: () => ({ events: meetings(9) }) },
    { name: 'ten without a link to join', build: () => ({ events: meetings(10, () => ({ links: [] })) }) },
    {
      name: 'made minutes apart',
      build: () => ({
        events: meetings(10, (k) => ({ created: `2026-12-02T1${k}:00:00` as LocalDateTime })),
      }),
    },
    {
      name: 'an export stamps all alike',
      build: () => ({ events: meetings(10, () => ({ created: null, stamped: at(0) })) }),
    },
    {
      name: 'outside the term',
      build: () => ({
        events: meetings(10, (k) => ({
          occurrences: [`${addDays(day('2027-06-12'), k)}T10:00:00` as LocalDateTime],
        })),
      }),
    },
    {
      name: 'nobody knows when they were made',
      build: () => ({ events: meetings(10, () => ({ created: null })) }),
    },
  ],
});

test('what another check found is not asked about', () => {
  const carried = shellFrom(() => ({
    events: meetings(12, (k) => ({
      created: `2025-08-18T09:00:${String(k).padStart(2, '0')}` as LocalDateTime,
    })),
  }));
  const audit = runChecks(carried, { checks: allChecks });
  expect(audit.findings.filter((f) => f.check === 'calendar.unconfirmed-meeting')).toEqual([]);
  expect(audit.findings.filter((f) => f.check === 'calendar.meeting-link')).toHaveLength(1);
  expect(audit.checks.map((r) => r.check)).toEqual(allChecks.map((c) => c.id));
});

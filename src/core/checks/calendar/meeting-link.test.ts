import type { CourseEvent } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases, day } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { meetingLink } from './meeting-link';

const join = 'https://rooms.example/join/field-party';
const holding =
  (events: CourseEvent[], previousEvents: CourseEvent[] | null = null) =>
  () => ({ events, previousEvents });
const old = { created: '2025-08-18T08:00:00' as LocalDateTime };

checkCases(meetingLink, {
  fires: [
    {
      name: 'outside the term: safe',
      build: holding([event('a', 'Lab', '2025-10-01T10:00:00', { links: [join] })]),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toMatchObject({ kind: 'safe', action: 'delete' }),
    },
    {
      name: 'carried over: judgement, one finding for the title',
      build: holding(
        ['2027-01-12', '2027-01-19'].map((d) => event(d, 'Lab', `${d}T10:00:00`, { ...old, links: [join] })),
      ),
      subjects: [['2027-01-12', '2027-01-19']],
      expect: ([f]) => expect(f!.remedy!.kind).toBe('judgement'),
    },
    {
      name: 'a link of the previous calendar',
      build: holding(
        [event('a', 'Talk', '2027-02-01T10:00:00', { links: [join] })],
        [event('o', 'Other', '2025-09-01T10:00:00', { links: [join] })],
      ),
      subjects: [['a']],
    },
    {
      name: 'one link in this calendar before and in the term',
      build: holding([
        event('o', 'Talk', '2025-11-01T10:00:00', { links: [join] }),
        event('a', 'Chat', '2027-02-01T10:00:00', { links: [join] }),
      ]),
      subjects: [['o'], ['a']],
    },
    {
      name: 'a segment called meet',
      build: holding([event('a', 'Lab', '2025-10-01T10:00:00', { links: ['https://x.example/meet/abc'] })]),
      subjects: [['a']],
    },
    {
      name: 'a segment of ten digits',
      build: holding([
        event('a', 'Lab', '2025-10-01T10:00:00', { links: ['https://x.example/j/1234567890'] }),
      ]),
      subjects: [['a']],
    },
    {
      name: 'a conference property (RFC 7986, 5.11)',
      build: holding([
        event('a', 'Lab', '2025-10-01T10:00:00', {
          links: ['https://x.example/room'],
          source: 'BEGIN:VEVENT\r\nCONFERENCE;VALUE=URI:https://x.example/room\r\nEND:VEVENT',
        }),
      ]),
      subjects: [['a']],
    },
    {
      name: 'over already',
      build: () => ({
        events: [event('a', 'Lab', '2027-01-12T10:00:00', { links: [join] })],
        asOf: day('2027-03-01'),
      }),
      subjects: [['a']],
    },
  ],
  silent: [
    {
      name: 'made for this term',
      build: holding([
        event('a', 'Lab', '2027-02-01T10:00:00', {
          links: [join],
          created: '2026-12-20T08:00:00' as LocalDateTime,
        }),
      ]),
    },
    {
      name: 'no link to join',
      build: holding([event('a', 'Lab', '2025-10-01T10:00:00', { links: ['https://x.example/reading'] })]),
    },
    {
      name: 'joining is only a word of the host',
      build: holding([event('a', 'Lab', '2025-10-01T10:00:00', { links: ['https://join.example/reading'] })]),
    },
    {
      name: 'eight and twelve digits are no meeting',
      build: holding([
        event('a', 'Lab', '2025-10-01T10:00:00', {
          links: ['https://x.example/12345678', 'https://x.example/123456789012'],
        }),
      ]),
    },
    {
      name: 'two weeks before the term',
      build: holding([event('a', 'Briefing', '2027-01-05T10:00:00', { links: [join] })]),
    },
    {
      name: 'the previous calendar has another link',
      build: holding(
        [event('a', 'Talk', '2027-02-01T10:00:00', { links: [join] })],
        [event('o', 'Talk', '2025-09-01T10:00:00', { links: ['https://rooms.example/join/other'] })],
      ),
    },
    {
      name: 'no term',
      build: () => ({
        events: [event('a', 'Lab', '2025-10-01T10:00:00', { links: [join] })],
        term: { title: '', start: null, end: null },
      }),
    },
  ],
});

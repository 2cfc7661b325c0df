import type { WebAnswer, WebState } from '@/core/probe/web-answer';
import { runChecks } from '@/core/checks/run/run-checks';
import { checkCases, shellFrom, type FiringCase } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { deadLink } from './dead-link';

const answered = (url: string, state: WebState, movedTo: string | null = null): WebAnswer => ({
  url,
  state,
  status: state === 'gone' ? 404 : 200,
  movedTo,
  hops: movedTo === null ? [] : [movedTo],
  says: 'So it was seen.',
  askedAt: '2027-01-04T08:00:00.000Z',
});
const map = 'https://maps.example/sheet?unit=3&edition=2';
const page =
  (html: string): FiringCase['build'] =>
  (c) =>
    void c.page('Week 3', html, { ref: 'p' });
const linking = page(`<p>See <a href="${map.replace('&', '&amp;')}#legend">the sheet</a>.</p>`);
const meeting = 'https://rooms.example/join/lab';
const component = [
  'BEGIN:VEVENT',
  'UID:e',
  'SUMMARY:Lab',
  'DTSTART:20270112T140000',
  `URL:${meeting}`,
  'END:VEVENT',
].join('\r\n');
const withMeeting: FiringCase['build'] = () => ({
  events: [event('e', 'Lab', '2027-01-12T14:00:00', { links: [meeting], source: component })],
});

checkCases(deadLink, {
  fires: [
    {
      name: 'a page that is gone: the link is taken out of the text',
      build: linking,
      probe: [answered(map, 'gone')],
      subjects: [['p']],
      expect: ([finding]) => {
        expect(finding?.title).toBe('“Week 3” has 1 link to what is no longer there');
        expect(finding?.remedy).toMatchObject({ action: 'unlink', params: { drop: [`${map}#legend`] } });
        expect(finding?.evidence[0]).toMatchObject({ label: 'Gone', value: expect.stringMatching(/4 Jan/) });
      },
    },
    {
      name: 'a host that is no more, in an item that is such a link: it is deleted',
      build: (c) => void c.webLink('Keys', map, { ref: 'w' }),
      probe: [answered(map, 'no-host')],
      subjects: [['w']],
      expect: ([finding]) => expect(finding?.remedy).toMatchObject({ action: 'delete', targets: ['w'] }),
    },
    {
      name: 'moved for good: the text leads to the new address, at the same place of it',
      build: linking,
      probe: [answered(map, 'moved', 'https://maps.example/sheets/3?a=1&b=2')],
      subjects: [['p']],
      expect: ([finding]) =>
        expect(finding?.remedy?.params.addresses).toEqual({
          [`${map}#legend`]: 'https://maps.example/sheets/3?a=1&b=2#legend',
        }),
    },
    {
      name: 'moved for good, in an item that is such a link',
      build: (c) => void c.webLink('Sheet', map, { ref: 'w' }),
      probe: [answered(map, 'moved', 'https://maps.example/sheets/3')],
      subjects: [['w']],
      expect: ([finding]) => expect(finding?.remedy).toMatchObject({ action: 'relink', targets: ['w'] }),
    },
    {
      name: 'dead and moved in one page are two findings',
      build: page('<a href="https://a.example/1">a</a> <a href="https://b.example/2">b</a>'),
      probe: [
        answered('https://a.example/1', 'bad-certificate'),
        answered('https://b.example/2', 'moved', 'https://c.example/2'),
      ],
      subjects: [['p'], ['p']],
    },
    {
      name: 'a style sheet that asks for a font that is gone',
      build: (c) => void c.file('look/style.css', '@import url(https://fonts.example/serif.css);'),
      probe: [answered('https://fonts.example/serif.css', 'gone')],
      subjects: [['look/style.css']],
    },
    {
      name: 'a meeting whose page says that it has ended: the event loses its link',
      build: withMeeting,
      probe: [answered(meeting, 'ended')],
      subjects: [['e']],
      expect: ([finding]) => expect(finding?.remedy).toMatchObject({ action: 'drop-link' }),
    },
  ],
  silent: [
    ...(['sign-in', 'slow', 'fault', 'busy', 'loop', 'private', 'says-gone', 'answers'] as const).map(
      (state) => ({ name: `what came to “${state}”`, build: linking, probe: [answered(map, state)] }),
    ),
    { name: 'another address', build: linking, probe: [answered('https://maps.example/', 'gone')] },
    {
      name: 'an address that is only named as a source',
      build: page(`<blockquote cite="https://maps.example/1">Sheets</blockquote>`),
      probe: [answered('https://maps.example/1', 'gone')],
    },
  ],
});

test('an event whose link moved is said, and left to a person', () => {
  const shell = shellFrom(withMeeting);
  const { findings } = runChecks(shell, {
    checks: [deadLink],
    probe: { answerOf: () => answered(meeting, 'moved', 'https://rooms.example/join/lab-2') },
  });
  expect(findings).toMatchObject([{ remedy: null, message: { id: 'moved' } }]);
});

test('nobody having asked is not the same as nothing found', () => {
  const outcomeOf = (build: FiringCase['build']) =>
    runChecks(shellFrom(build), { checks: [deadLink] }).checks[0]?.outcome;
  expect(outcomeOf(linking)).toEqual({ state: 'not-asked', reason: 'not probed yet' });
  expect(outcomeOf(page('<p>No link</p>'))).toMatchObject({ state: 'not-applicable' });
});

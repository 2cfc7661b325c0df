import { connect } from 'node:net';
import { largest } from '@/core/collect';
import { webStates, type WebAnswer, type WebState } from '@/core/probe/web-answer';
import type { BehaviourName } from '../../../stand-ins/outside-web/behaviours';
import { startOutsideWeb, type OutsideWeb } from '../../../stand-ins/outside-web/serve';
import { askAll, type Question } from './ask-all';
import { GuardedConnector, openSocket, type Connection } from './guarded-connect';
import { WebAsker, usualWebPace, type WebPace } from './web-asker';

/** What each way to answer comes to. */
const expected: Readonly<Partial<Record<BehaviourName, WebState>>> = {
  fine: 'answers',
  document: 'answers',
  moved: 'moved',
  'moved-twice': 'moved',
  'for-now': 'answers',
  'moved-to-gone': 'gone',
  gone: 'gone',
  'gone-as-text': 'gone',
  'gone-as-json': 'gone',
  'gone-with-nothing': 'gone',
  'document-no-head': 'answers',
  'badly-packed': 'answers',
  'gone-for-good': 'gone',
  'sign-in': 'sign-in',
  forbidden: 'sign-in',
  'to-sign-in': 'sign-in',
  loop: 'loop',
  endless: 'loop',
  slow: 'slow',
  fault: 'fault',
  shaky: 'answers',
  busy: 'busy',
  hurried: 'answers',
  drops: 'fault',
  'no-head': 'answers',
  'head-says-gone': 'answers',
  lies: 'gone',
  'says-gone': 'says-gone',
  'to-start': 'says-gone',
  'to-private': 'private',
  'to-loopback': 'private',
  huge: 'answers',
  'to-nonsense': 'fault',
};
/** Waits less than for the world outside: all of it is on this computer. */
const quick: WebPace = { timeout: 1_500, pause: 10, tries: 2, wait: 20, longestWait: 100 };

let web: OutsideWeb;
let opened: Connection[] = [];
let asker: WebAsker;

/** Takes down every connection before it is made, and makes it only to the ports that stand in. */
function recorded(pace: WebPace): WebAsker {
  const connector = new GuardedConnector(web.map as never, (connection) => {
    opened.push(connection);
    if (connection.address !== web.map.address) throw new Error('a connection to somewhere else');
    return openSocket(connection);
  });
  return new WebAsker(connector, pace, () => new Date('2027-01-04T08:00:00Z'));
}
beforeAll(async () => {
  web = await startOutsideWeb();
});
beforeEach(() => {
  opened = [];
  asker = recorded(quick);
});
afterEach(() => asker.close());
afterAll(() => web.close());

const ask = (url: string, isMeeting = false): Promise<WebAnswer> => asker.ask(url, isMeeting);

test.each(Object.entries(expected))('%s comes to “%s”', async (behaviour, state) => {
  expect(await ask(`http://places.example/${behaviour}/7`)).toMatchObject({
    url: `http://places.example/${behaviour}/7`,
    state,
    askedAt: '2027-01-04T08:00:00.000Z',
  });
});

test('bodies that nobody reads to their end leave nothing behind that ends the probe', async () => {
  const loose: unknown[] = [];
  const note = (error: unknown) => void loose.push(error);
  process.on('uncaughtException', note);
  try {
    const names = ['gone-as-text', 'gone-as-json', 'gone-with-nothing', 'document-no-head', 'huge'];
    const urls = names.flatMap((name) => [1, 2, 3].map((n) => `http://bodies.example/${name}/${n}`));
    await Promise.all(urls.map((url) => ask(url)));
    await new Promise((resolve) => setTimeout(resolve, 100));
  } finally {
    process.off('uncaughtException', note);
  }
  expect(loose).toEqual([]);
});

test('an address that can’t be asked is told, and the others are asked all the same', async () => {
  const answers: WebAnswer[] = [];
  const broken = {
    ask: (url: string) => (url.includes('bad') ? Promise.reject(new TypeError('odd')) : ask(url)),
  };
  const questions = ['http://bad.example/', 'http://places.example/fine/1'].map((url) => ({
    url,
    isMeeting: false,
  }));
  await askAll(broken, questions, (answer) => void answers.push(answer));
  expect(answers.map(({ url, state }) => [url, state]).sort()).toEqual([
    ['http://bad.example/', 'fault'],
    ['http://places.example/fine/1', 'answers'],
  ]);
});

test('every state is provoked by some address', async () => {
  const others = ['no-host', 'bad-certificate', 'ended'];
  expect([...new Set([...Object.values(expected), ...others])].sort()).toEqual([...webStates].sort());
});

test('redirects are written down, and where a move for good leads', async () => {
  expect(await ask('http://places.example/moved-twice/7')).toMatchObject({
    movedTo: 'http://places.example/fine/7',
    hops: ['http://places.example/moved/7', 'http://places.example/fine/7'],
    status: 200,
  });
  expect((await ask('http://places.example/for-now/7')).movedTo).toBeNull();
});

test('a host that is not there', async () => {
  expect(await ask('http://old.nowhere.example/map')).toMatchObject({ state: 'no-host', status: null });
  expect(opened).toEqual([]);
});

test.each([
  ['https://safe.example/fine/1', 'answers', 'status 200'],
  ['https://self-signed.example/fine/1', 'bad-certificate', 'the host signed it itself'],
  ['https://expired.example/fine/1', 'bad-certificate', 'it has run out'],
  ['https://another-name.example/fine/1', 'bad-certificate', 'it is for another host'],
])('%s comes to “%s”: %s', async (url, state, says) => {
  const answer = await ask(url);
  expect(answer.state).toBe(state);
  expect(answer.says).toContain(says);
});

test('a meeting’s page that says that it has ended; another page that says so is none', async () => {
  expect((await ask('http://rooms.example/meeting-ended/join', true)).state).toBe('ended');
  expect((await ask('http://rooms.example/meeting-open/join', true)).state).toBe('answers');
  expect((await ask('http://rooms.example/meeting-ended/history')).state).toBe('answers');
});

describe('private addresses', () => {
  // The spellings of WHATWG URL, 3.5 and 4.5, and the ranges of RFC 6890.
  const spellings = [
    'http://127.0.0.1/',
    'http://127.1/',
    'http://127.0.1/',
    'http://2130706433/',
    'http://0x7f000001/',
    'http://0x7f.1/',
    'http://0177.0.0.1/',
    'http://0177.1/',
    'http://%31%32%37.0.0.1/',
    'http://１２７.0.0.1/',
    'http://127。0。0。1/',
    'http://localhost/',
    'http://LOCALHOST/',
    'http://localhost./',
    'http://www.localhost/',
    'http://printer.local/',
    'http://router.home.arpa/',
    'http://wiki.internal/',
    'http://0.0.0.0/',
    'http://0/',
    'http://10.1.2.3/',
    'http://172.16.0.1/',
    'http://172.31.255.254/',
    'http://192.168.1.1/',
    'http://169.254.169.254/latest/',
    'http://100.64.0.1/',
    'http://192.0.0.1/',
    'http://198.18.0.1/',
    'http://224.0.0.1/',
    'http://240.0.0.1/',
    'http://255.255.255.255/',
    'http://[::1]/',
    'http://[::]/',
    'http://[0:0:0:0:0:0:0:1]/',
    'http://[::ffff:127.0.0.1]/',
    'http://[::ffff:7f00:1]/',
    'http://[::ffff:10.0.0.1]/',
    'http://[::127.0.0.1]/',
    'http://[fe80::1]/',
    'http://[fc00::1]/',
    'http://[fd12:3456::1]/',
    'http://[ff02::1]/',
    'http://[64:ff9b::7f00:1]/',
    'http://[64:ff9b::a00:1]/',
    'http://[2002:7f00:1::]/',
    'http://[2002:c0a8:101::]/',
    'http://[2001::1]/',
    'http://[2001:db8::1]/',
    'http://[4000::1]/',
    'http://user:pw@127.0.0.1:8080/',
    'https://127.0.0.1:8443/',
    'http://inside.example/',
  ];

  test.each(spellings)('%s is refused before anything is sent', async (url) => {
    expect(await ask(new URL(url).href)).toMatchObject({ state: 'private' });
    expect(opened).toEqual([]);
  });

  test('as the goal of a redirect, too', async () => {
    await ask('http://places.example/to-private/1');
    expect(opened.every(({ address }) => address === web.map.address)).toBe(true);
  });

  test('a name that has a private address beside a public one', async () => {
    const connector = new GuardedConnector(
      null,
      (connection) => {
        opened.push(connection);
        throw new Error('a connection');
      },
      () => Promise.resolve(['5.5.5.5', '127.0.0.1']),
    );
    const other = new WebAsker(connector, quick);
    expect(await other.ask('http://rebound.example/', false)).toMatchObject({ state: 'private' });
    expect(opened).toEqual([]);
    await other.close();
  });

  test('without a map a public name is asked at the address that was looked at', async () => {
    const connector = new GuardedConnector(
      null,
      (connection) => {
        opened.push(connection);
        return connect({ host: web.map.address, port: web.map.http });
      },
      () => Promise.resolve(['5.5.5.5']),
    );
    const other = new WebAsker(connector, quick);
    expect(await other.ask('http://somewhere.example/fine/1', false)).toMatchObject({ state: 'answers' });
    expect(new Set(opened.map(({ address, port }) => `${address}:${port}`))).toEqual(new Set(['5.5.5.5:80']));
    await other.close();
  });
});

test('two thousand addresses with all troubles: each told right, at most four at a time', async () => {
  const names = Object.keys(expected);
  const questions = Array.from({ length: 2_000 }, (_, n): Question & { readonly state: WebState } => {
    const behaviour = names[n % names.length] as BehaviourName;
    const host = `h${n % 37}.many.example`;
    return { url: `http://${host}/${behaviour}/${n}`, isMeeting: false, state: expected[behaviour]! };
  });
  const usual = recorded({ ...usualWebPace, timeout: 4_000 });
  const answers = new Map<string, WebState>();
  const begun = performance.now();
  await askAll(usual, questions, ({ url, state }) => void answers.set(url, state));
  const seconds = (performance.now() - begun) / 1000;
  await usual.close();
  process.stdout.write(`2,000 addresses probed in ${seconds.toFixed(1)} s\n`);
  expect(questions.filter(({ url, state }) => answers.get(url) !== state)).toEqual([]);
  const hosts = [...web.most].filter(([host]) => host.endsWith('.many.example'));
  expect(hosts).toHaveLength(37);
  expect(largest(hosts.map(([, most]) => most))).toBeLessThanOrEqual(4);
  expect(opened.every(({ address }) => address === web.map.address)).toBe(true);
});

import { loadStage, type StageSource } from './load-stage';

const asked: string[] = [];
let answer: () => Promise<Response>;
beforeEach(() => {
  asked.length = 0;
  answer = () => Promise.resolve(Response.json({ items: 3 }));
  globalThis.fetch = (url) => {
    if (typeof url === 'string') asked.push(url);
    return answer();
  };
});

let drawings = 0;
const source = (drawn = `drawing ${(drawings += 1)}`): StageSource<{ items: number }> => ({
  shellId: 's',
  url: '/api/shells/s/stages/comb',
  drawn,
});

test('one drawing of a page asks once, the next asks anew, and the one before is still at hand', async () => {
  const first = source();
  expect(await loadStage(first)).toEqual({ is: 'here', view: { items: 3 } });
  expect(loadStage(first)).toBe(loadStage({ ...first }));
  expect(asked).toHaveLength(1);
  answer = () => Promise.resolve(Response.json({ items: 4 }));
  expect(await loadStage(source())).toEqual({ is: 'here', view: { items: 4 } });
  expect(await loadStage(first)).toEqual({ is: 'here', view: { items: 3 } });
  expect(asked).toHaveLength(2);
});

test('only the last few answers are kept', async () => {
  const first = source();
  await loadStage(first);
  for (let n = 0; n < 6; n += 1) await loadStage(source());
  await loadStage(first);
  expect(asked).toHaveLength(8);
});

test.each([
  [
    'damage',
    422,
    { trouble: 'The sketch is damaged.' },
    { is: 'damaged', sentence: 'The sketch is damaged.' },
  ],
  ['a full disk', 503, { trouble: 'No room.' }, { is: 'trouble', sentence: 'No room.' }],
  ['no reason', 500, {}, { is: 'trouble', sentence: 'That did not work; try again.' }],
] as const)('%s is told as what it is', async (_, status, body, expected) => {
  answer = () => Promise.resolve(Response.json(body, { status }));
  expect(await loadStage(source())).toEqual(expected);
});

test('a server that does not answer is told, too', async () => {
  answer = () => Promise.reject(new TypeError('fetch failed'));
  expect(await loadStage(source())).toEqual({
    is: 'trouble',
    sentence: 'Currycomb does not answer; is it still running?',
  });
});

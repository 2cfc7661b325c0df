import { PassThrough } from 'node:stream';
import { openProgress } from './progress-line';

/** A stream that takes down what is written, and may pass for a terminal. */
function stream(isTTY: boolean) {
  const written: string[] = [];
  const through = Object.assign(new PassThrough(), {
    isTTY,
    columns: 80,
    moveCursor: () => true,
    cursorTo: () => true,
    clearLine: () => true,
  });
  through.on('data', (block: Buffer) => written.push(block.toString()));
  return { through, text: () => written.join('') };
}

const clock = { now: 0 };
beforeEach(() => {
  clock.now = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => clock.now);
});
afterEach(() => jest.restoreAllMocks());

test('a person at a terminal sees what is being done, once it takes longer than half a second', async () => {
  const { through, text } = stream(true);
  const progress = await openProgress(through);
  progress.say(1, 10, 'Reading the package');
  expect(text()).toBe('');
  clock.now = 600;
  progress.say(5, 10, 'Broken links');
  expect(text()).toContain('Broken links');
  expect(text()).toContain('50 %');
  progress.end();
});

test('the cursor and the line wrap are left alone, since Ctrl C would leave them switched off', async () => {
  const { through, text } = stream(true);
  const progress = await openProgress(through);
  clock.now = 600;
  progress.say(5, 10, 'Broken links');
  progress.end();
  expect(text()).not.toContain('\u001b[?');
});

test('a file or a pipe gets nothing', async () => {
  const { through, text } = stream(false);
  const progress = await openProgress(through);
  clock.now = 60_000;
  progress.say(5, 10, 'Broken links');
  progress.end();
  expect(text()).toBe('');
});

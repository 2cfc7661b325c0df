import { SilenceWatch } from './silence-watch';

const minutes = (count: number) => jest.advanceTimersByTime(count * 60_000);
let silent: string[];
let watch: SilenceWatch;
beforeEach(() => {
  jest.useFakeTimers();
  silent = [];
  watch = new SilenceWatch((id) => {
    silent.push(id);
    watch.forget(id);
  });
});
afterEach(() => {
  watch.close();
  jest.useRealTimers();
});

test('a job of which nothing is heard for half an hour is told, once', () => {
  watch.hear('quiet');
  watch.hear('busy');
  minutes(20);
  watch.hear('busy');
  minutes(11);
  expect(silent).toEqual(['quiet']);
  minutes(60);
  expect(silent).toEqual(['quiet', 'busy']);
});

test('what ended is not waited for, and nothing is told after the end', () => {
  watch.hear('ended');
  watch.forget('ended');
  watch.hear('other');
  watch.close();
  minutes(120);
  expect(silent).toEqual([]);
});

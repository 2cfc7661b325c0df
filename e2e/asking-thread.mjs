// Asks one address without a break and keeps the longest wait for an answer, in milliseconds: the thread of SomebodyElse.
import { setTimeout as pause } from 'node:timers/promises';
import { parentPort, workerData } from 'node:worker_threads';

let longest = 0;
let answered = Promise.resolve();

parentPort?.on('message', async (message) => {
  if (message === 'begin') {
    longest = 0;
    return;
  }
  // What was asked for while the work went on is waited for.
  await answered;
  parentPort?.postMessage(longest);
});

/** Where the server is gone it is whoever ended it that tells why. */
const ask = () =>
  fetch(workerData)
    .then((response) => response.text())
    .then(
      () => undefined,
      () => undefined,
    );

for (;;) {
  const begun = performance.now();
  answered = ask();
  await answered;
  longest = Math.max(longest, performance.now() - begun);
  await pause(10);
}

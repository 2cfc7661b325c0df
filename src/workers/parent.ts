import { writeFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';

/** How often a worker looks whether its parent is still there, in milliseconds. */
const lookedEvery = 100;

/**
 * Ends the process when its parent is gone. It looks from a thread of its own, since the main one may be busy for
 * minutes, and nothing may be written to the data folder once another server could have opened it.
 */
const watchParent = `
  const { workerData } = require('node:worker_threads');
  setInterval(() => {
    if (process.ppid !== workerData) process.kill(process.pid, 'SIGKILL');
  }, ${lookedEvery});
`;

/** Linux: of all processes the one to end first when the computer runs out of memory (proc(5), oom_score_adj). */
const endedFirst = '500';

/** The process that started this one. */
export interface Parent<Data, Order, Report> {
  readonly data: Data;
  hear(listener: (order: Order) => void): void;
  tell(report: Report): void;
}

/** Connects a worker process with its parent: what it starts with, what it is told, and what it reports. */
export function startParent<Data, Order, Report>(): Parent<Data, Order, Report> {
  new Worker(watchParent, { eval: true, workerData: process.ppid }).unref();
  process.once('disconnect', () => process.exit(0));
  // Ctrl-C reaches every process of the terminal: the parent decides when its workers end.
  process.on('SIGINT', () => undefined);
  try {
    writeFileSync('/proc/self/oom_score_adj', endedFirst);
  } catch {
    // Other systems choose by themselves.
  }
  return {
    data: JSON.parse(process.argv[2] ?? 'null') as Data,
    hear: (listener) => process.on('message', (order) => listener(order as Order)),
    tell: (report) => process.send?.(report),
  };
}

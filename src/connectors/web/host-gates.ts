import { setTimeout as sleep } from 'node:timers/promises';
import PQueue from 'p-queue';

/** Requests to one host at the same time, at most. */
export const mostAtOnce = 4;
/** Requests to all hosts at the same time, at most. */
const mostInAll = 64;

/** Lets at most four requests at a time through to a host, with a pause after each before the next takes its place. */
export class HostGates {
  private readonly all = new PQueue({ concurrency: mostInAll });
  private readonly hosts = new Map<string, PQueue>();

  /** `pause` in milliseconds. */
  constructor(private readonly pause: number) {}

  /** Does a piece of work as soon as the host has room for it. */
  through<T>(host: string, work: () => Promise<T>): Promise<T> {
    const gate = this.gateOf(host);
    return new Promise<T>((resolve, reject) => {
      void gate.add(async () => {
        await this.all.add(() => work().then(resolve, reject));
        await sleep(this.pause);
      });
    });
  }

  private gateOf(host: string): PQueue {
    const known = this.hosts.get(host) ?? new PQueue({ concurrency: mostAtOnce });
    this.hosts.set(host, known);
    return known;
  }
}

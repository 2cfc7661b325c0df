import { readdirSync, readFileSync } from 'node:fs';

/** Looks again after so many milliseconds. */
const pace = 100;

/** The most memory that a process and those that work for it had at one time. */
export class MemoryWatch {
  private most = 0;
  private readonly timer: NodeJS.Timeout;

  constructor(private readonly pid: number) {
    this.look();
    this.timer = setInterval(() => this.look(), pace);
  }

  /** Ends the watch; the most there was, in bytes. */
  end(): number {
    this.look();
    clearInterval(this.timer);
    return this.most;
  }

  private look(): void {
    this.most = Math.max(this.most, MemoryWatch.of(this.pid));
  }

  /** What Linux says of a process and of those that it started, in bytes (proc(5): VmRSS, and children of its threads). */
  static of(pid: number): number {
    try {
      const kilobytes = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
      const children = readdirSync(`/proc/${pid}/task`)
        .flatMap((thread) => readFileSync(`/proc/${pid}/task/${thread}/children`, 'utf8').split(' '))
        .filter((child) => child !== '');
      const theirs = children.reduce((bytes, child) => bytes + MemoryWatch.of(Number(child)), 0);
      return Number(kilobytes ?? 0) * 1024 + theirs;
    } catch {
      // It ended while it was looked at.
      return 0;
    }
  }
}

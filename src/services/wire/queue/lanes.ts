import { goesOn } from '@/services/keep/jobs/job-record';
import type { JobRow } from '@/services/keep/jobs/job-rows';
import { jobOf, type AnyJob } from '@/services/wire/jobs/registry';

/** So many jobs that wait for the world outside run beside the others. */
const mostAside = 1;

/**
 * Which job may start beside those under way. A shell has one lane: its jobs run one after another, those of different
 * shells side by side, up to the number of threads. Jobs that run aside have a lane of their own.
 */
export class Lanes {
  private readonly underWay = new Map<string, JobRow>();

  constructor(private readonly threads: number) {}

  get isEmpty(): boolean {
    return this.underWay.size === 0;
  }

  has(id: string): boolean {
    return this.underWay.has(id);
  }
  find(id: string): JobRow | undefined {
    return this.underWay.get(id);
  }
  enter(job: JobRow): void {
    this.underWay.set(job.id, job);
  }
  leave(id: string): void {
    this.underWay.delete(id);
  }

  /** How many jobs are under way that run aside, or that do not. */
  count(isAside: boolean): number {
    return this.all().filter((job) => (jobOf(job.kind)?.aside === true) === isAside).length;
  }

  /** Is a job under way that writes down what it has done as it goes, such as a run on a host? It may take hours. */
  get hasLong(): boolean {
    return this.all().some(({ kind }) => {
      const record = jobOf(kind);
      return record !== null && goesOn(record) && record.aside !== true;
    });
  }

  mayEnter(job: JobRow, record: AnyJob): boolean {
    return this.hasRoom(record) && !this.isBusy(job, record);
  }

  private hasRoom(record: AnyJob): boolean {
    const isAside = record.aside === true;
    return this.count(isAside) < (isAside ? mostAside : this.threads);
  }

  private isBusy(job: JobRow, record: AnyJob): boolean {
    const others = this.all().map((other) => ({ other, its: jobOf(other.kind) }));
    return others.some(({ other, its }) => {
      if (its?.exclusive === true) return true;
      // One of the same kind and shell is waited for all the same.
      if ((record.aside || its?.aside) && other.kind !== job.kind) return false;
      return job.shellId !== null && other.shellId === job.shellId;
    });
  }

  private all(): readonly JobRow[] {
    return [...this.underWay.values()];
  }
}

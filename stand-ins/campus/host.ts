import { createHash } from 'node:crypto';
import type { WireChange, WireJob, WireOutcome } from '@/connectors/campus/wire';
import { applyChange } from './apply-change';
import { putRecord, setFields, type HostShell } from './host-shell';
import { mintId } from './ids';
import { SeededRandom } from './random';
import { noTroubles, type Troubles } from './troubles';

export interface Account {
  readonly id: string;
  readonly name: string;
  readonly secret: string;
}

interface Session {
  readonly account: Account;
  readonly until: number;
  left: number;
}

/** Changes that were sent under a key, and how far they got. */
export interface HostJob {
  readonly id: string;
  readonly shell: string;
  readonly changes: readonly WireChange[];
  readonly outcomes: WireOutcome[];
  state: WireJob['state'];
  /** Stopped on purpose, without saying so. */
  isStalled: boolean;
  readonly ids: Map<string, string>;
  readonly touched: Set<string>;
}

/** How long a sign-in is good, in seconds. */
export const signInLasts = 1800;

/** A campus host: its shells, who is signed in, what was sent to it, and what goes wrong on purpose. */
export class CampusHost {
  readonly shells = new Map<string, HostShell>();
  readonly bytes = new Map<string, Buffer>();
  readonly jobs = new Map<string, HostJob>();
  /** The job that a key named. */
  readonly keys = new Map<string, string>();
  /** Titles that somebody else gave meanwhile, by the record’s id. */
  readonly othersDid = new Map<string, string>();
  readonly accounts: Account[] = [{ id: 'acc-1', name: 'r.alder', secret: 'marsh-marigold' }];
  troubles: Troubles = noTroubles;
  random = new SeededRandom(noTroubles.seed);
  private readonly sessions = new Map<string, Session>();
  private readonly names: SeededRandom;
  private changesUntilStall = 0;
  private copiesLeft = 0;

  constructor(seed = 20270104) {
    this.names = new SeededRandom(seed);
  }

  setTroubles(troubles: Troubles): void {
    this.troubles = troubles;
    this.random = new SeededRandom(troubles.seed);
    this.changesUntilStall = troubles.stall;
    this.copiesLeft = troubles.copy;
  }

  mint = (): string => mintId(this.names);

  signIn(name: string, secret: string): { token: string; account: Account } | null {
    const account = this.accounts.find((one) => one.name === name && one.secret === secret);
    if (!account) return null;
    const token = this.names.letters(32);
    const left = this.troubles.expire > 0 ? this.troubles.expire : Infinity;
    this.sessions.set(token, { account, until: Date.now() + signInLasts * 1000, left });
    return { token, account };
  }

  /** Who a token stands for; null where it is not, or no more, good. */
  accountOf(token: string): Account | null {
    const session = this.sessions.get(token);
    if (!session) return null;
    session.left -= 1;
    if (session.left >= 0 && session.until > Date.now()) return session.account;
    this.sessions.delete(token);
    return null;
  }

  /** As after a restart of the machine: everybody is signed out, jobs are cut off. What was done stays done. */
  restart(): void {
    this.sessions.clear();
    for (const job of this.jobs.values()) if (job.state === 'running') job.state = 'interrupted';
  }

  /** Takes changes under a key; the same key again is the same job, whatever is sent with it. */
  take(shell: HostShell, key: string, changes: readonly WireChange[]): HostJob {
    const known = this.jobs.get(this.keys.get(key) ?? '');
    if (known) return known;
    const job: HostJob = {
      id: this.names.letters(16),
      shell: shell.id,
      changes,
      outcomes: [],
      state: 'running',
      isStalled: false,
      ids: new Map(),
      touched: new Set(),
    };
    this.jobs.set(job.id, job);
    this.keys.set(key, job.id);
    this.work(job);
    return job;
  }

  /** Keeps bytes under their SHA-256; false where it is another. */
  keepBytes(sha256: string, bytes: Buffer): boolean {
    if (createHash('sha256').update(bytes).digest('hex') !== sha256) return false;
    this.bytes.set(sha256, bytes);
    return true;
  }

  /** Starts a job again that was cut off or does not get on. What it has done it does not do again. */
  startAgain(job: HostJob): void {
    if (job.state === 'done') return;
    job.state = 'running';
    job.isStalled = false;
    this.work(job);
  }

  /** One more page of a copy that is still running. */
  copyOn(shell: HostShell): void {
    if (this.copiesLeft <= 0) return;
    this.copiesLeft -= 1;
    const outline = shell.collections.outline;
    const last = outline.order.at(-1) ?? null;
    const like = last === null ? null : outline.records.get(last);
    if (!like) return;
    const title = `Copied page ${this.troubles.copy - this.copiesLeft}`;
    const fields = { ...like.fields, title, parent: null, requires: [], studentWork: null };
    putRecord(shell, 'outline', { id: this.mint(), version: 1, fields }, last);
  }

  /** Somebody else gives a line of the outline another title. */
  somebodyElse(shell: HostShell): void {
    const { order, records } = shell.collections.outline;
    const record = records.get(order[this.random.below(Math.max(1, order.length))] ?? '');
    if (!record) return;
    const title = `${String(record.fields['title'])} (revised)`;
    setFields(shell, 'outline', record, { ...record.fields, title });
    this.othersDid.set(record.id, title);
  }

  private work(job: HostJob): void {
    const shell = this.shells.get(job.shell);
    if (!shell) return;
    while (job.outcomes.length < job.changes.length) {
      if (this.troubles.stall > 0 && (this.changesUntilStall -= 1) < 0) {
        this.changesUntilStall = this.troubles.stall + this.random.below(this.troubles.stall);
        job.isStalled = true;
        return;
      }
      const change = job.changes[job.outcomes.length];
      if (change)
        job.outcomes.push(
          applyChange(shell, change, { ids: job.ids, touched: job.touched, mint: this.mint }),
        );
    }
    job.state = 'done';
  }
}

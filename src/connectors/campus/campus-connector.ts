import { entryOf } from '@/core/entries';
import { setTimeout as sleep } from 'node:timers/promises';
import { keyOf, listNames, type Edit, type ListName } from '@/core/edits/edit';
import { actionNames, type ActionName } from '@/core/plan/actions/registry';
import { actionOf } from '@/core/plan/step';
import { digest } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { bad, good, type Result } from '@/core/shell/result';
import { unsoundnessOf } from '@/core/shell/soundness';
import type { Batch, BatchOutcome, Connector, EditOutcome, NameThere, Reading } from '../connector';
import { idField } from './collections';
import { HostRecords } from './host-changes';
import type { HostClient, Hitch } from './host-client';
import { hostLimits } from './host-limits';
import type { Names } from './names';
import { ListReader, type Lists } from './read-lists';
import { shellOfLists, thingOf } from './shell-of-lists';
import { jobSchema, mostChanges, shellSchema, type WireJob, type WireOutcome } from './wire';

/** Where bytes of files are kept here. */
export interface FileVault {
  has(hash: Sha256): boolean;
  read(hash: Sha256): Buffer | null;
  put(bytes: Buffer): Sha256;
}

export interface CampusOptions {
  /** The id of the shell at the host. */
  readonly shell: string;
  readonly names: Names;
  readonly vault: FileVault;
  readonly onHitch: (hitch: Hitch) => void;
  readonly onProgress: (done: number, total: number, doing: string) => void;
}

/** What a campus host does over its API. */
export const campusCapabilities: ReadonlySet<ActionName> = new Set(
  actionNames.filter((name) => actionOf(name).isByHandOnHosts !== true),
);
/** So many readings at most are waited for until two agree. */
const mostReadings = 12;
/** Waits between looks at a job, the first and the longest, in milliseconds. */
const looks = { first: 20, longest: 500 };

/** A shell at a campus host, over its API (docs/campus-host.openapi.json). */
export class CampusConnector implements Connector {
  readonly capabilities = campusCapabilities;
  private readonly lists: ListReader;
  private records: HostRecords | null = null;

  constructor(
    private readonly client: HostClient,
    private readonly options: CampusOptions,
  ) {
    this.lists = new ListReader(client, options.shell);
  }

  async read(): Promise<Result<Reading>> {
    const { names, onHitch, onProgress } = this.options;
    let last: string | null = null;
    for (let n = 1; n <= mostReadings; n += 1) {
      const doing = n === 1 ? 'Reading from the host' : 'Reading again, until two readings agree';
      const host = await this.client.get(`/shells/${this.options.shell}`, shellSchema);
      if (!host.ok) return host;
      const read = await this.lists.read((done, total) => onProgress(done, total, doing));
      if (!read.ok) return read;
      const { lists, isChanged } = read.value;
      if (last !== null && !isChanged && last === host.value.tag) {
        const shell = shellOfLists(host.value, lists, names);
        const fault = unsoundnessOf(shell);
        if (fault !== null)
          return bad(
            'unsound',
            `The host’s shell contradicts itself: ${fault}. Correct it there, then read it again.`,
          );
        const fetched = await this.fetchFiles(shell);
        if (!fetched.ok) return fetched;
        this.records = new HostRecords(host.value, lists, names);
        return good({ shell, mends: mendsOf(lists, names) });
      }
      if (last !== null)
        onHitch({ kind: 'unsteady', message: 'The shell changed while it was read; read once more.' });
      last = host.value.tag;
    }
    return bad(
      'unsteady',
      'The shell keeps changing on the host while it is read; a copy into it may still be running. Try again when it has ended.',
    );
  }

  async carryOut(batch: Batch): Promise<Result<BatchOutcome>> {
    const ready = await this.ready();
    if (!ready.ok) return ready;
    const sent = await this.sendFiles(batch.edits);
    if (!sent.ok) return sent;
    const changes = batch.edits.map((edit) => ready.value.plan(edit));
    const job = await this.client.post(
      `/shells/${this.options.shell}/changes`,
      jobSchema,
      { changes },
      { 'idempotency-key': batch.key },
    );
    const ended = job.ok ? await this.follow(job.value) : job;
    if (!ended.ok) return ended;
    const { outcomes } = ended.value;
    const names = batch.edits.flatMap((edit, n) => {
      const outcome = outcomes[n];
      return outcome ? (ready.value.learn(edit, outcome) ?? []) : [];
    });
    return good({ outcomes: outcomes.map(sayOutcome), names });
  }

  async lookUp(batch: Batch): Promise<Result<BatchOutcome | null>> {
    const job = await this.client.get(`/keys/${encodeURIComponent(batch.key)}`, jobSchema);
    if (!job.ok) return job.trouble.code === 'not-there' ? good(null) : job;
    const ended = await this.follow(job.value);
    if (!ended.ok) return ended;
    const { outcomes } = ended.value;
    const names = batch.edits.flatMap((edit, n) => nameOf(edit, outcomes[n]) ?? []);
    for (const name of names) this.options.names.learn(name);
    // What was read before this was done is out of date.
    this.records = null;
    return good({ outcomes: outcomes.map(sayOutcome), names });
  }

  private async ready(): Promise<Result<HostRecords>> {
    if (this.records === null) {
      const read = await this.read();
      if (!read.ok) return read;
    }
    return this.records ? good(this.records) : bad('unsteady', 'The shell could not be read.');
  }

  /** Waits for a job’s end; one that was cut off or does not get on is started again. */
  private async follow(job: WireJob): Promise<Result<WireJob>> {
    const { patience, tries } = this.client.pace;
    let now = job;
    /** As far as it ever was: a job that only goes to and fro does not get on. */
    let furthest = job.done;
    let moved = Date.now();
    let wait = looks.first;
    let restarts = 0;
    while (now.state !== 'done') {
      const isStuck = now.state === 'interrupted' || Date.now() - moved > patience;
      if (isStuck && restarts >= tries)
        return bad(
          'unreachable',
          `A job at the host does not end, though it was started ${restarts} times again; look there, then go on.`,
        );
      if (isStuck) this.options.onHitch(hitchOf(now));
      else await sleep(wait);
      const path = `/jobs/${now.id}`;
      const next = isStuck
        ? await this.client.post(`${path}/restart`, jobSchema)
        : await this.client.get(path, jobSchema);
      if (!next.ok) return next;
      const hasMoved = next.value.done > furthest && next.value.done <= mostChanges;
      furthest = Math.max(furthest, next.value.done);
      restarts = isStuck && !hasMoved ? restarts + 1 : restarts;
      if (hasMoved) restarts = 0;
      if (isStuck || hasMoved) moved = Date.now();
      wait = isStuck ? looks.first : Math.min(looks.longest, wait * 1.5);
      now = next.value;
    }
    return good(now);
  }

  /** The bytes of files that are not here yet. */
  private async fetchFiles(shell: Shell): Promise<Result<null>> {
    const { vault, onProgress } = this.options;
    const wanted = new Map<Sha256, { readonly path: string; readonly bytes: number }>();
    for (const { sha256, path, bytes } of [...shell.files, ...shell.entries])
      if (!vault.has(sha256)) wanted.set(sha256, { path, bytes });
    const allBytes = [...wanted.values()].reduce((n, { bytes }) => n + bytes, 0);
    if (allBytes > hostLimits.allFileBytes)
      return bad('too-large', 'The files of this shell are larger than 8 GB, so they were not fetched.');
    let done = 0;
    for (const [sha256, { path, bytes }] of wanted) {
      onProgress(done, wanted.size, 'Fetching files');
      const answer = await this.client.ask({
        method: 'GET',
        path: `/shells/${this.options.shell}/bytes/${sha256}`,
        mostBytes: Math.min(bytes, hostLimits.fileBytes),
      });
      if (!answer.ok) return answer;
      if (answer.value.status !== 200 || digest(answer.value.body) !== sha256)
        return bad('not-there', `The host does not give the bytes of “${path}”; look at the file there.`);
      vault.put(answer.value.body);
      done += 1;
    }
    return good(null);
  }

  /** Sends the bytes that new files are made of. */
  private async sendFiles(edits: readonly Edit[]): Promise<Result<null>> {
    for (const edit of edits) {
      if (edit.op !== 'insert' || (edit.list !== 'files' && edit.list !== 'entries')) continue;
      for (const { thing } of edit.things) {
        const bytes = this.options.vault.read(thing.sha256);
        if (!bytes) return bad('bytes-gone', `The bytes of “${thing.path}” are not in the store any more.`);
        const path = `/shells/${this.options.shell}/bytes/${thing.sha256}`;
        const answer = await this.client.ask({ method: 'PUT', path, bytes });
        if (!answer.ok) return answer;
        if (answer.value.status >= 300)
          return bad('refused', `The host did not take the bytes of “${thing.path}”.`);
      }
    }
    return good(null);
  }
}

function hitchOf({ state, done, total }: WireJob): Hitch {
  const far = `after ${done} of ${total} changes; started it again.`;
  return state === 'interrupted'
    ? { kind: 'cut-off', message: `A job was cut off ${far}` }
    : { kind: 'stalled', message: `A job stopped ${far}` };
}

/** The name that the host gave to what an edit made; null where it goes by a field of its own. */
function nameOf(edit: Edit, outcome: WireOutcome | undefined): NameThere | null {
  if (edit.op !== 'insert' || outcome?.is !== 'done' || idField[edit.list] === undefined) return null;
  const [placed] = edit.things;
  return placed ? { ref: keyOf(placed.thing), there: outcome.id } : null;
}

function sayOutcome(outcome: WireOutcome): EditOutcome {
  if (outcome.is === 'done') return { is: 'done' };
  const { code, message } = outcome;
  switch (code) {
    case 'changed':
    case 'gone':
    case 'held':
      return { is: 'refused', why: code, reason: message };
    case 'read-only':
    case 'invalid':
      return { is: 'refused', why: 'unable', reason: message };
  }
}

/** Bodies that still name what was made anew since: written again, they lead to it. */
function mendsOf(lists: Lists, names: Names): Edit[] {
  const edits: Edit[] = [];
  for (const list of listNames)
    for (const record of lists[list]) {
      if (!names.isStale(record.fields)) continue;
      edits.push(mendOf(list, record, names));
    }
  return edits;
}

function mendOf(list: ListName, record: Lists[ListName][number], names: Names): Edit {
  const thing = thingOf(list, record, names) as unknown as Record<string, unknown>;
  const raw = record.fields;
  const stale = Object.keys(raw).filter((field) => names.isStale(entryOf(raw, field)));
  const fields = Object.fromEntries(stale.map((field) => [field, entryOf(thing, field)]));
  const ref = String(thing['ref'] ?? thing['id'] ?? thing['path']);
  return { op: 'change', list, ref, before: fields, after: fields };
}

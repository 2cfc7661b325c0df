import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { getHeapStatistics } from 'node:v8';
import {
  leftBehind,
  type JobMessage,
  type JobReport,
  type NoteAnswer,
} from '@/services/keep/jobs/job-record';
import { jobOf } from '@/services/wire/jobs/registry';
import { digest } from '@/core/refs/digest';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import { faultOf, type Fault } from '@/services/keep/log/fault';
import { StorageFault, storageFault } from '@/services/keep/storage/storage-fault';
import { BlobStore } from '@/store/blobs';
import { Memo } from '@/store/memo';
import { startParent } from './parent';
import { stepBack } from './step-back';

/** A worker process: takes jobs one after the other and reports. What it kept is on the disk before it says so. */
const parent = startParent<{ dataDir: string }, JobMessage | NoteAnswer, JobReport>();
const { dataDir } = parent.data;
stepBack();
interface Store {
  readonly blobs: BlobStore;
  readonly memo: Memo;
}
let store: Store | null = null;

/** What jobs keep things in. Opening it writes, so it throws where the disk is full: the job that needs it says so. */
function openStore(): Store {
  if (store !== null) return store;
  const engine = digest(readFileSync(fileURLToPath(import.meta.url)));
  store = { blobs: new BlobStore(join(dataDir, 'blobs')), memo: new Memo(dataDir, engine) };
  return store;
}

/** Opens it before the first job asks, so that this need not wait; a trouble is told by the job. */
function openStoreEarly(): void {
  try {
    openStore();
  } catch (error) {
    if (storageFault(error, dataDir) === null) throw error;
  }
}

const report = (message: JobReport) => parent.tell(message);
/** Progress comes at most this often, in milliseconds: each one is written to the job’s row. */
const progressEvery = 50;

interface Waiting {
  readonly resolve: (answer: unknown) => void;
  readonly reject: (error: Error) => void;
}
const waiting = new Map<number, Waiting>();
let notes = 0;
const noteOf = (id: string, blobs: BlobStore) => (entry: unknown) =>
  new Promise<unknown>((resolve, reject) => {
    notes += 1;
    waiting.set(notes, { resolve, reject });
    blobs.flush();
    report({ id, type: 'note', number: notes, entry });
  });

function hearAnswer({ number, answer, trouble }: NoteAnswer): void {
  const one = waiting.get(number);
  waiting.delete(number);
  if (trouble === null) one?.resolve(answer);
  else one?.reject(new StorageFault(trouble));
}

async function run({ id, kind, input }: JobMessage): Promise<JobReport> {
  const record = jobOf(kind);
  if (!record) return { id, type: 'trouble', message: `There is no job “${kind}”; nothing was changed.` };
  let last = -progressEvery;
  const progress = (done: number, total: number, doing: string) => {
    const now = performance.now();
    if (now - last < progressEvery) return;
    last = now;
    report({ id, type: 'progress', done, total, doing });
  };
  try {
    const { blobs, memo } = openStore();
    const result = await record.run(record.input.parse(JSON.parse(input)), {
      blobs,
      memo,
      dataDir,
      progress,
      note: noteOf(id, blobs),
    });
    blobs.flush();
    return result.ok
      ? { id, type: 'done', output: result.value, heapBytes: heldBytes() }
      : { id, type: 'trouble', message: result.trouble.message, heapBytes: heldBytes() };
  } catch (error) {
    return { id, type: 'trouble', ...troubleOf(error, leftBehind(record)), heapBytes: heldBytes() };
  }
}

/** What this process holds after a job: its heap, and buffers beside it. */
const heldBytes = (): number => getHeapStatistics().total_heap_size + process.memoryUsage().external;

/** What went wrong in a job, as one sentence, and where it came from. */
function troubleOf(error: unknown, left: string): { readonly message: string; readonly fault?: Fault } {
  if (error instanceof UnreadableStore) return { message: `${error.message} ${left}` };
  const storage = storageFault(error, dataDir);
  const message =
    storage?.message ??
    `Something went wrong in Currycomb itself. ${left} What happened stands under “Data folder”.`;
  return { message, fault: faultOf(error) };
}

openStoreEarly();
parent.hear((message) => {
  if (message.type === 'note') hearAnswer(message);
  else void run(message).then(report);
});

import { createHash } from 'node:crypto';
import { createReadStream, statSync, writeFileSync } from 'node:fs';
import { addThings } from '@/core/add/add-things';
import { holdAgainst } from '@/core/add/hold-against';
import { ruleEffects } from '@/core/checks/compare-findings';
import type { CheckTiming } from '@/core/checks/run-checks';
import { rehearse } from '@/core/plan/rehearse';
import { applyEdits, type Edit } from '@/core/plan/edits';
import { runPlan, undoEdits } from '@/core/plan/run-plan';
import { stepsOfFindings } from '@/core/plan/steps-of-remedy';
import { takeInventory } from '@/core/shell/inventory';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/shell/refs';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { shellFingerprint } from '@/core/shell/shell-fingerprint';
import { sketchOf } from '@/core/shell/sketch';
import { partOf } from '@/core/add/part-of';
import { writeZip } from '@/formats/archive/write-zip';
import { dueDatesAsTodos } from '@/formats/icalendar/due-dates';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { writeState } from '@/formats/state-file/shell-state';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { BlobStore } from '@/store/blobs';
import { loadShell, saveShell } from '@/store/shell-state-blob';
import { readShell } from '../bring-in/read-shell';
import { auditShell } from '../comb/audit-shell';
import { rulesFrom } from '../house-rules/written-rules';
import type { JobContext, JobKind, JobKinds, KeptState, RehearsalView } from './job-kinds';

/** The last shells used in this process: their scans and links are worked out already. */
const recent = new Map<string, Shell>();

function shellOf(blobs: BlobStore, hash: Sha256): Shell {
  const known = recent.get(hash);
  if (known) return known;
  const shell = loadShell(blobs, hash);
  remember(hash, shell);
  return shell;
}
function remember(hash: Sha256, shell: Shell): void {
  recent.set(hash, shell);
  const oldest = recent.keys().next().value;
  if (recent.size > 3 && oldest !== undefined) recent.delete(oldest);
}

function keep(blobs: BlobStore, shell: Shell): KeptState {
  const stateBlob = saveShell(blobs, shell);
  remember(stateBlob, shell);
  const { code, title, term, asOf } = shell;
  return {
    stateBlob,
    fingerprint: shellFingerprint(shell),
    code,
    title,
    term,
    asOf,
    inventory: takeInventory(shell),
    sketch: sketchOf(shell),
  };
}

async function hashOfFile(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const block of createReadStream(path, { highWaterMark: 1024 ** 2 }))
    hash.update(block as Buffer);
  return hash.digest('hex');
}

type Jobs = {
  [K in JobKind]: (
    input: JobKinds[K]['input'],
    blobs: BlobStore,
    context: JobContext,
  ) => Promise<Result<JobKinds[K]['output']>>;
};

const jobs: Jobs = {
  async 'bring-in'({ inputs }, blobs, { progress }) {
    const reading = await readShell(inputs, {
      sink: blobs,
      onProgress: (done, total) => progress(done, total, 'Reading the package'),
    });
    if (!reading.ok) return reading;
    reading.value.archive.close();
    return good({
      ...keep(blobs, reading.value.shell),
      intake: reading.value.intake,
      packageHash: await hashOfFile(inputs.package.path),
    });
  },
  async 'hold-against'({ stateBlob, from }, blobs, { progress }) {
    const shell = shellOf(blobs, stateBlob);
    let incoming: Shell;
    let intake: readonly IntakeNote[] = [];
    let packageHash: string | null = null;
    if ('inputs' in from) {
      const reading = await readShell(from.inputs, {
        sink: blobs,
        onProgress: (done, total) => progress(done, total, 'Reading the package'),
      });
      if (!reading.ok) return reading;
      reading.value.archive.close();
      ({ shell: incoming, intake } = reading.value);
      packageHash = await hashOfFile(from.inputs.package.path);
    } else incoming = shellOf(blobs, from.incomingBlob);
    progress(1, 2, 'Holding it against the shell');
    const incomingBlob = 'inputs' in from ? saveShell(blobs, incoming) : from.incomingBlob;
    remember(incomingBlob, incoming);
    const previewBlob = blobs.put(JSON.stringify(holdAgainst(shell, incoming)));
    return good({
      incomingBlob,
      previewBlob,
      title: [incoming.code, incoming.title].filter((t) => t !== '').join(' '),
      packageHash,
      intake,
    });
  },
  async add({ stateBlob, incomingBlob, choice }, blobs, { progress }) {
    const [shell, incoming] = [shellOf(blobs, stateBlob), shellOf(blobs, incomingBlob)];
    progress(0, 2, 'Adding what was chosen');
    const made = addThings(shell, incoming, holdAgainst(shell, incoming), choice);
    if (!made.edits.length)
      return bad('nothing-chosen', 'Nothing of what was chosen can be added, so nothing was changed.');
    progress(1, 2, 'Keeping the result');
    const { added, relinked, loose } = made;
    return good({
      ...keep(blobs, made.after),
      added,
      relinked,
      loose,
      editsBlob: blobs.put(JSON.stringify(made.edits)),
    });
  },
  async comb({ stateBlob, rules }, blobs, { progress }) {
    const shell = shellOf(blobs, stateBlob);
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    const begun = performance.now();
    let timings: readonly CheckTiming[] = [];
    const audit = auditShell(
      shell,
      read.value,
      (done, total, check) => progress(done, total, check.title),
      (all) => (timings = all),
    );
    return good({ audit, milliseconds: Math.round(performance.now() - begun), timings });
  },
  async 'try-rules'({ stateBlob, now, then }, blobs, { progress }) {
    const shell = shellOf(blobs, stateBlob);
    const [old, other] = [rulesFrom(now), rulesFrom(then)];
    if (!old.ok) return old;
    if (!other.ok) return other;
    progress(0, 2, 'Combing by the rules of now');
    const before = auditShell(shell, old.value);
    progress(1, 2, 'Combing by the other rules');
    return good(ruleEffects(before, auditShell(shell, other.value)));
  },
  async rehearse({ stateBlob, audit, findings, handSteps, rules }, blobs, { progress }) {
    const shell = shellOf(blobs, stateBlob);
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    progress(0, 2, 'Trying the plan on a copy');
    const result = rehearse(shell, audit, [...stepsOfFindings(shell, findings), ...handSteps], (after) => {
      progress(1, 2, 'Combing the copy');
      return auditShell(after, read.value);
    });
    return good(viewOf(result));
  },
  async 'carry-out'({ stateBlob, findings, handSteps }, blobs, { progress }) {
    const shell = shellOf(blobs, stateBlob);
    progress(0, 2, 'Carrying out the steps');
    const run = runPlan(shell, [...stepsOfFindings(shell, findings), ...handSteps]);
    progress(1, 2, 'Keeping the result');
    const editsBlob = blobs.put(JSON.stringify(run.edits));
    return good({
      ...keep(blobs, run.after),
      results: run.results,
      removed: run.removed,
      relinked: run.relinked,
      editsBlob,
    });
  },
  async undo({ stateBlob, editsBlob, goal }, blobs, { progress }) {
    progress(0, 1, 'Taking the run back');
    const shell = shellOf(blobs, stateBlob);
    const edits = JSON.parse(blobs.read(editsBlob)!.toString('utf8')) as Edit[];
    const restored = applyEdits(shell, undoEdits(edits));
    if (shellFingerprint(restored) !== goal)
      return bad(
        'undo-differs',
        'Taking the run back would not give the restore point again, so nothing was changed; the restore point itself is still there.',
      );
    return good(keep(blobs, restored));
  },
  async export({ stateBlob, what, file, chosen }, blobs, { progress }) {
    progress(0, 1, 'Writing the file');
    const whole = shellOf(blobs, stateBlob);
    const shell = chosen ? partOf(whole, chosen) : whole;
    const frame = shell.calendar ?? { head: '', others: [] };
    switch (what) {
      case 'package':
        await writeCartridge(
          shell,
          { read: (hash) => blobs.read(hash), open: (hash) => blobs.open(hash) },
          file,
        );
        break;
      case 'events':
        if (!shell.events.length && !shell.calendar)
          return bad('no-calendar', 'There are no events to export.');
        writeFileSync(file, writeCalendar(shell.events, frame));
        break;
      case 'due-dates': {
        const others = frame.others.filter((o) => !/^UID:due-.+@currycomb\s*$/im.test(o));
        writeFileSync(
          file,
          writeCalendar(shell.events, { ...frame, others: [...others, ...dueDatesAsTodos(shell)] }),
        );
        break;
      }
      case 'grades':
        if (!shell.gradeCategories.length && !shell.gradeColumns.length)
          return bad('no-grades', 'There is no grade setup to export.');
        await writeZip(file, { ...writeGrades(shell) });
        break;
      case 'status':
        writeFileSync(file, writeStatusSheet(shell));
        break;
      case 'state':
        writeFileSync(file, writeState(shell));
        break;
    }
    return good({ bytes: statSync(file).size });
  },
};

function viewOf({ run, after, closed, caused, gained, lost }: ReturnType<typeof rehearse>): RehearsalView {
  const refsOf = (shell: Shell) =>
    new Map<string, unknown>([
      ...shell.items.map((i) => [i.ref, i] as const),
      ...shell.files.map((f) => [f.path, f] as const),
      ...shell.events.map((e) => [e.ref, e] as const),
    ]);
  const [was, is] = [refsOf(run.before), refsOf(run.after)];
  return {
    results: run.results,
    removed: run.removed,
    relinked: run.relinked,
    broken: run.broken,
    closed: closed.map(({ id, check, title }) => ({ id, check, title })),
    caused,
    gained: gained.map((i) => i.title),
    lost: lost.map((i) => i.title),
    gone: [...was.keys()].filter((ref) => !is.has(ref)),
    changed: [...is].filter(([ref, thing]) => was.has(ref) && was.get(ref) !== thing).map(([ref]) => ref),
    before: { counts: takeInventory(run.before).counts },
    after: { audit: after, sketch: sketchOf(run.after) },
  };
}

/** Runs one job to its end. Trouble is a sentence; anything thrown is a fault of ours and is reported as such. */
export async function runJob(kind: JobKind, input: unknown, context: JobContext): Promise<Result<unknown>> {
  const blobs = new BlobStore(context.blobsDir);
  const job = jobs[kind] as (
    input: unknown,
    blobs: BlobStore,
    context: JobContext,
  ) => Promise<Result<unknown>>;
  return job(input, blobs, context);
}

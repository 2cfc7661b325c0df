import { readAs, sayMisfit } from '@/core/schema/read-as';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Finding } from '@/core/checks/finding/finding';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import type { Audit } from '@/core/checks/run/run-checks';
import { makeSteps } from '@/core/plan/make-steps';
import type { StepResult } from '@/core/plan/results';
import { runPlan } from '@/core/plan/run-plan';
import type { Step } from '@/core/plan/step';
import { stepsOfFindings } from '@/core/remedies/steps-of-remedy';
import { planSchema, writeStep } from '@/core/plan/written-step';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { differingParts, shellFingerprint } from '@/core/shell/shell-fingerprint';
import type { Archive } from '@/formats/archive/read-archive';
import type { BytesSource } from '@/formats/cartridge/write-cartridge';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { auditShell } from '@/services/do/packages/audit-shell';
import { emptyLedger, summarise, takeDown, type CleanSummary, type Ledger } from './clean-summary';
import { ScratchFolder } from './scratch-folder';
import { handOver, writeCleanResult, writeShellFiles } from './write-clean';

/** What to take: the remedies of these checks, of everything safe, a plan made before, or steps made for the shell. */
export type Acceptance =
  | { readonly checks: readonly string[] }
  | { readonly safe: true }
  | { readonly plan: unknown }
  | { readonly stepsFor: (shell: Shell) => Result<readonly Step[]> };

export interface CleanOptions {
  readonly accept: Acceptance;
  readonly outDir: string | null;
  readonly leaveBlocked: boolean;
  readonly dryRun: boolean;
  readonly rules: HouseRules;
  /** What summary.json holds; the account of the cleaning where nothing else is given. */
  readonly summaryJson?: (after: Shell, results: readonly StepResult[]) => unknown;
  /** Where what is needed on the way is kept; a folder of its own where none is given. */
  readonly scratch?: ScratchFolder;
  readonly onProgress?: (done: number, total: number, doing: string) => void;
}

export type CleanOutcome =
  | { readonly kind: 'cleaned'; readonly summary: CleanSummary }
  /** Guards held steps back and nothing was written: a line for each. */
  | { readonly kind: 'blocked'; readonly lines: readonly string[] };

const mostRounds = 10;

/**
 * Cleans a package by script: audits it, takes remedies, carries them out, writes the result, reads that back and
 * audits it, until nothing accepted is left. The result appears in the out-directory only when all of it is done.
 */
export async function cleanPackage(
  inputs: ShellInputs,
  options: CleanOptions,
): Promise<Result<CleanOutcome>> {
  if (!options.dryRun) {
    const problem = checkOutDir(options.outDir);
    if (problem) return problem;
  }
  const scratch = options.scratch ?? new ScratchFolder();
  try {
    return await cleanInto(scratch, inputs, options);
  } finally {
    scratch.remove();
  }
}

function checkOutDir(dir: string | null): Result<never> | null {
  if (dir === null) return bad('usage', 'Name a new or empty folder with --out-dir, or use --dry-run.');
  if (existsSync(dir) && readdirSync(dir).length > 0)
    return bad('usage', `The folder “${dir}” is not empty; name a new or empty one.`);
  return null;
}

async function cleanInto(
  scratch: ScratchFolder,
  inputs: ShellInputs,
  options: CleanOptions,
): Promise<Result<CleanOutcome>> {
  const { rules, onProgress } = options;
  const first = await readShell(
    { ...inputs, houseTerms: rules.terms },
    { onProgress: (done, total) => onProgress?.(done, total, 'Reading the package') },
  );
  if (!first.ok) return first;
  const { shell: original, intake, archive } = first.value;
  const source = readsFrom(archive, original);
  try {
    const before = audited(original, options);
    const given = stepsGiven(options.accept, original);
    if (given && !given.ok) return given;
    const ledger = emptyLedger();
    const about = { inputs, options, source, scratch };
    const rounds = await cleanInRounds(original, before, given?.value ?? null, ledger, about);
    if (!rounds.ok) return rounds;
    if ('blocked' in rounds.value) return good({ kind: 'blocked', lines: rounds.value.blocked });
    const summary = summarise(ledger, before, rounds.value.audit);
    if (!options.dryRun && options.outDir !== null) {
      onProgress?.(1, 1, 'Writing the result');
      const about = { original, intake, before, results: ledger.results };
      const result = {
        ...rounds.value,
        ...about,
        summary: options.summaryJson?.(rounds.value.shell, ledger.results) ?? summary,
      };
      await writeCleanResult(scratch.path('out'), result, inputs, source);
      const handed = handOver(scratch.path('out'), options.outDir);
      if (!handed.ok) return handed;
    }
    return good({ kind: 'cleaned', summary });
  } finally {
    archive.close();
  }
}

/** The steps of a plan or of whoever makes them; null where findings are taken. */
function stepsGiven(accept: Acceptance, shell: Shell): Result<readonly Step[]> | null {
  if ('plan' in accept) return readPlan(accept.plan, shell);
  return 'stepsFor' in accept ? accept.stepsFor(shell) : null;
}

const audited = (shell: Shell, { rules, onProgress }: CleanOptions): Audit =>
  auditShell(shell, rules, (done, total, check) => onProgress?.(done, total, check.title));

type Rounds = { readonly shell: Shell; readonly audit: Audit } | { readonly blocked: readonly string[] };

/** Takes, carries out, reads back and audits until a round changes nothing more. */
async function cleanInRounds(
  original: Shell,
  before: Audit,
  given: readonly Step[] | null,
  ledger: Ledger,
  about: {
    readonly inputs: ShellInputs;
    readonly options: CleanOptions;
    readonly source: BytesSource;
    readonly scratch: ScratchFolder;
  },
): Promise<Result<Rounds>> {
  const { inputs, options, source, scratch } = about;
  let shell = original;
  let audit = before;
  for (let round = 1; round <= mostRounds; round += 1) {
    const chosen = given ? [] : chooseFindings(audit, options.accept);
    const planned = round === 1 ? given : [];
    const steps = given ? (planned ?? []) : stepsOfFindings(shell, chosen);
    if (!steps.length) break;
    const run = runPlan(shell, steps, options.rules);
    const blocked = run.results.filter((r) => r.outcome === 'blocked');
    if (blocked.length && !options.leaveBlocked) return good({ blocked: blocked.map(blockedLine) });
    const known = new Set(ledger.accepted.map((a) => a.id));
    for (const f of chosen) if (!known.has(f.id)) ledger.accepted.push({ id: f.id, check: f.check });
    takeDown(ledger, run);
    // What was held back is tried once more after each round that changed something, since that may have set it free.
    if (!run.changes.length) break;
    shell = run.after;
    if (!options.dryRun) {
      const written = await writeAndReadBack(scratch.path(`round-${round}`), shell, inputs, source);
      if (!written.ok) return written;
      shell = written.value;
    }
    audit = audited(shell, options);
  }
  return good({ shell, audit });
}

function blockedLine(result: StepResult): string {
  const { action, targets } = writeStep(result.step);
  return `${action} ${targets.join(' ')}: ${result.reason ?? 'blocked'}`;
}

/** The archive's bytes by path; what a round rewrote keeps the hash it was read with. */
function readsFrom(archive: Archive, original: Shell): BytesSource {
  const paths = new Map([...original.entries, ...original.files].map((f) => [f.sha256, f.path]));
  return {
    read: (hash, path) => {
      const bytes = archive.read(path);
      if (bytes.ok) return bytes.value;
      // A copy stands under a path of its own; its bytes are those that it was made from.
      const from = paths.get(hash);
      const first = from === undefined ? null : archive.read(from);
      return first?.ok ? first.value : null;
    },
  };
}

function readPlan(value: unknown, shell: Shell): Result<readonly Step[]> {
  const parsed = readAs(planSchema, value);
  if (!parsed.ok)
    return bad('plan-unreadable', `This is not a Currycomb plan (${sayMisfit(parsed.misfit)}).`);
  const print = shellFingerprint(shell);
  if (parsed.value.base === print) return makeSteps(shell, parsed.value.steps);
  const parts = differingParts(parsed.value.base, print);
  return bad(
    'plan-for-another-state',
    `The plan was made for another state of this shell: ${parts.join(', ')} ${parts.length === 1 ? 'differs' : 'differ'}. Make the plan again.`,
  );
}

function chooseFindings(audit: Audit, accept: Acceptance): Finding[] {
  const wanted = (f: Finding) =>
    'checks' in accept ? accept.checks.includes(f.check) : f.remedy?.kind === 'safe';
  return audit.findings.filter((f) => f.remedy !== null && wanted(f));
}

async function writeAndReadBack(
  dir: string,
  shell: Shell,
  inputs: ShellInputs,
  source: BytesSource,
): Promise<Result<Shell>> {
  await writeShellFiles(dir, shell, inputs, source);
  const file = (name: string) => ({ path: join(dir, name), name });
  const again = await readShell({
    ...inputs,
    package: file('shell.imscc'),
    events: inputs.events ? file('events.ics') : undefined,
    status: inputs.status ? file('status.csv') : undefined,
    roster: inputs.roster ? file('grades') : undefined,
    timeZone: shell.timeZone,
  });
  if (!again.ok) return again;
  again.value.archive.close();
  return good(again.value.shell);
}

import { append } from '@/core/collect';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import type { Finding } from '@/core/checks/finding';
import type { HouseRules } from '@/core/checks/house-rules';
import { allChecks } from '@/core/checks/registry';
import type { Audit } from '@/core/checks/run-checks';
import { compareAudits } from '@/core/plan/rehearse';
import { runPlan, type PlanRun, type RemovedCounts } from '@/core/plan/run-plan';
import { type StepResult } from '@/core/plan/results';
import type { Step } from '@/core/plan/step';
import { makeSteps } from '@/core/plan/make-steps';
import { planSchema, writeStep, type Plan } from '@/core/plan/written-step';
import { stepsOfFindings } from '@/core/plan/steps-of-remedy';
import type { Shell } from '@/core/shell/model';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { differingParts, shellFingerprint } from '@/core/shell/shell-fingerprint';
import type { Archive } from '@/formats/archive/read-archive';
import { writeCartridge, type BytesSource } from '@/formats/cartridge/write-cartridge';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { findingJson, findingSchema } from '@/formats/report/audit-json';
import { reportHtml } from '@/formats/report/report-html';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { readShell } from '../bring-in/read-shell';
import type { ShellInputs } from '../bring-in/shell-inputs';
import { auditShell } from '../comb/audit-shell';

/** What to take: the remedies of these checks, of everything safe, or a plan made before. */
export type Acceptance =
  { readonly checks: readonly string[] } | { readonly safe: true } | { readonly plan: unknown };

export interface CleanOptions {
  readonly accept: Acceptance;
  readonly outDir: string | null;
  readonly leaveBlocked: boolean;
  readonly dryRun: boolean;
  readonly rules: HouseRules;
}

const count = z.int();
/** What `clean` prints and writes as summary.json (docs/schemas). */
export const cleanSchema = z.strictObject({
  schema: z.literal('currycomb.clean/1'),
  accepted: z.array(z.strictObject({ id: z.string(), check: z.string() })),
  steps: z.array(
    z.strictObject({
      action: z.string(),
      targets: z.array(z.string()),
      params: z.record(z.string(), z.unknown()),
      outcome: z.enum(['done', 'blocked', 'nothing']),
      reason: z.string().optional(),
    }),
  ),
  removed: z.strictObject({
    items: count,
    files: count,
    events: count,
    gradeCategories: count,
    gradeColumns: count,
    banks: count,
  }),
  relinked: count,
  before: z.record(z.string(), count),
  after: z.record(z.string(), count),
  caused: z.array(findingSchema),
});
export type CleanSummary = z.output<typeof cleanSchema>;

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
  const work = mkdtempSync(join(tmpdir(), 'currycomb-clean-'));
  try {
    return await cleanInto(work, inputs, options);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

function checkOutDir(dir: string | null): Result<never> | null {
  if (dir === null) return bad('usage', 'Name a new or empty folder with --out-dir, or use --dry-run.');
  if (existsSync(dir) && readdirSync(dir).length > 0)
    return bad('usage', `The folder “${dir}” is not empty; name a new or empty one.`);
  return null;
}

interface Ledger {
  readonly accepted: { id: string; check: string }[];
  readonly results: StepResult[];
  readonly removed: { -readonly [K in keyof RemovedCounts]: number };
  relinked: number;
}

async function cleanInto(
  work: string,
  inputs: ShellInputs,
  options: CleanOptions,
): Promise<Result<CleanOutcome>> {
  const first = await readShell({ ...inputs, houseTerms: options.rules.terms });
  if (!first.ok) return first;
  const { shell: original, intake, archive } = first.value;
  const source = readsFrom(archive, original);
  try {
    const before = auditShell(original, options.rules);
    const given = 'plan' in options.accept ? readPlan(options.accept.plan, original) : null;
    if (given && !given.ok) return given;
    const ledger = emptyLedger();
    const rounds = await cleanInRounds(work, original, before, given?.value ?? null, ledger, {
      inputs,
      options,
      source,
    });
    if (!rounds.ok) return rounds;
    if ('blocked' in rounds.value) return good({ kind: 'blocked', lines: rounds.value.blocked });
    const { shell, audit } = rounds.value;
    const summary = summarise(ledger, before, audit);
    if (!options.dryRun && options.outDir !== null) {
      const out = join(work, 'out');
      await writeOutputs(out, {
        shell,
        original,
        intake,
        before,
        audit,
        ledger,
        summary,
        inputs,
        source,
      });
      mkdirSync(options.outDir, { recursive: true });
      cpSync(out, options.outDir, { recursive: true });
    }
    return good({ kind: 'cleaned', summary });
  } finally {
    archive.close();
  }
}

const emptyLedger = (): Ledger => ({
  accepted: [],
  results: [],
  removed: { items: 0, files: 0, events: 0, gradeCategories: 0, gradeColumns: 0, banks: 0 },
  relinked: 0,
});

type Rounds = { readonly shell: Shell; readonly audit: Audit } | { readonly blocked: readonly string[] };

/** Takes, carries out, reads back and audits until a round changes nothing more. */
async function cleanInRounds(
  work: string,
  original: Shell,
  before: Audit,
  given: readonly Step[] | null,
  ledger: Ledger,
  about: { readonly inputs: ShellInputs; readonly options: CleanOptions; readonly source: BytesSource },
): Promise<Result<Rounds>> {
  const { inputs, options, source } = about;
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
    note(ledger, run);
    // What was held back is tried once more after each round that changed something, since that may have set it free.
    if (!run.changes.length) break;
    shell = run.after;
    if (!options.dryRun) {
      const written = await writeAndReadBack(join(work, `round-${round}`), shell, inputs, source);
      if (!written.ok) return written;
      shell = written.value;
    }
    audit = auditShell(shell, options.rules);
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
  const parsed = planSchema.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return bad(
      'plan-unreadable',
      `The plan does not fit its schema at ${issue?.path.join('.') || 'the top level'}: ${issue?.message ?? 'unknown reason'}.`,
    );
  }
  const print = shellFingerprint(shell);
  if (parsed.data.base === print) return makeSteps(shell, parsed.data.steps);
  const parts = differingParts(parsed.data.base, print);
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

function note(ledger: Ledger, run: PlanRun): void {
  // Only what is held back still counts as held back.
  const done = ledger.results.filter((r) => r.outcome === 'done');
  ledger.results.length = 0;
  append(ledger.results, done);
  append(ledger.results, run.results);
  ledger.relinked += run.relinked;
  for (const key of Object.keys(ledger.removed) as (keyof RemovedCounts)[])
    ledger.removed[key] += run.removed[key];
}

async function writeShellFiles(
  dir: string,
  shell: Shell,
  inputs: ShellInputs,
  source: BytesSource,
): Promise<void> {
  mkdirSync(dir, { recursive: true });
  await writeCartridge(shell, source, join(dir, 'shell.imscc'));
  if (inputs.events && shell.calendar)
    writeFileSync(join(dir, 'events.ics'), writeCalendar(shell.events, shell.calendar));
  if (inputs.roster) writeGradeFiles(join(dir, 'grades'), shell);
  if (inputs.status) writeFileSync(join(dir, 'status.csv'), writeStatusSheet(shell));
}

function writeGradeFiles(dir: string, shell: Shell): void {
  mkdirSync(dir, { recursive: true });
  for (const [name, text] of Object.entries(writeGrades(shell)))
    writeFileSync(join(dir, name), text as string);
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

function countByCheck(audit: Audit): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const check of allChecks) counts[check.id] = 0;
  for (const finding of audit.findings) counts[finding.check] = (counts[finding.check] ?? 0) + 1;
  return counts;
}

function shortStep(step: Step): { action: string; targets: string[]; params: Record<string, unknown> } {
  const { action, targets, params } = writeStep(step);
  return { action, targets: [...targets], params: { ...params } };
}

function summarise(ledger: Ledger, before: Audit, after: Audit): CleanSummary {
  return {
    schema: 'currycomb.clean/1',
    accepted: ledger.accepted,
    steps: ledger.results.map((r) => ({
      ...shortStep(r.step),
      outcome: r.outcome,
      ...(r.reason === undefined ? {} : { reason: r.reason }),
    })),
    removed: { ...ledger.removed },
    relinked: ledger.relinked,
    before: countByCheck(before),
    after: countByCheck(after),
    caused: compareAudits(before, after).caused.map(findingJson),
  };
}

async function writeOutputs(
  dir: string,
  all: {
    shell: Shell;
    original: Shell;
    intake: readonly IntakeNote[];
    before: Audit;
    audit: Audit;
    ledger: Ledger;
    summary: CleanSummary;
    inputs: ShellInputs;
    source: BytesSource;
  },
): Promise<void> {
  await writeShellFiles(dir, all.shell, all.inputs, all.source);
  const steps = all.ledger.results
    .filter((r) => r.outcome === 'done')
    .map((r) => ({ ...shortStep(r.step), from: r.step.from }));
  const plan: Plan = { schema: 'currycomb.plan/1', base: shellFingerprint(all.original), steps };
  const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
  writeFileSync(join(dir, 'plan.json'), json(plan));
  writeFileSync(join(dir, 'summary.json'), json(all.summary));
  writeFileSync(
    join(dir, 'report.html'),
    reportHtml({
      shell: all.shell,
      intake: all.intake,
      audit: all.audit,
      before: all.before,
      results: all.ledger.results,
    }),
  );
}

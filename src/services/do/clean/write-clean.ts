import { cpSync, existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Audit } from '@/core/checks/run/run-checks';
import type { StepResult } from '@/core/plan/results';
import type { Plan } from '@/core/plan/written-step';
import type { Shell } from '@/core/shell/model';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { shellFingerprint } from '@/core/shell/shell-fingerprint';
import { writeCartridge, type BytesSource } from '@/formats/cartridge/write-cartridge';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { reportHtml } from '@/formats/report/report-html';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { shortStep } from './short-step';

/** Writes a shell as its package and the side files that came with it. */
export async function writeShellFiles(
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

/** What a cleaning leaves behind: the shell before and after, what was done, and what is said of it. */
export interface CleanResult {
  readonly shell: Shell;
  readonly original: Shell;
  readonly intake: readonly IntakeNote[];
  readonly before: Audit;
  readonly audit: Audit;
  readonly results: readonly StepResult[];
  /** What is said of it as JSON. */
  readonly summary: unknown;
}

/** Writes the clean package with its side files, the plan, the summary and the report. */
export async function writeCleanResult(
  dir: string,
  result: CleanResult,
  inputs: ShellInputs,
  source: BytesSource,
): Promise<void> {
  await writeShellFiles(dir, result.shell, inputs, source);
  const steps = result.results
    .filter((r) => r.outcome === 'done')
    .map((r) => ({ ...shortStep(r.step), from: r.step.from }));
  const plan: Plan = { schema: 'currycomb.plan/1', base: shellFingerprint(result.original), steps };
  const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
  writeFileSync(join(dir, 'plan.json'), json(plan));
  writeFileSync(join(dir, 'summary.json'), json(result.summary));
  writeFileSync(join(dir, 'report.html'), reportHtml(result));
}

/** Puts a finished folder where it was asked for, whole or not at all. */
export function handOver(finished: string, outDir: string): Result<null> {
  const wasThere = existsSync(outDir);
  try {
    mkdirSync(outDir, { recursive: true });
    cpSync(finished, outDir, { recursive: true });
    return good(null);
  } catch (error) {
    for (const name of readdirSync(finished)) rmSync(join(outDir, name), { recursive: true, force: true });
    if (!wasThere) rmSync(outDir, { recursive: true, force: true });
    const why = error instanceof Error ? error.message : 'unknown reason';
    return bad(
      'usage',
      `“${outDir}” can’t be written into (${why}); nothing was changed, name another folder.`,
    );
  }
}

import { elementAt } from '@/core/sure';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { InvalidArgumentError, type Command } from 'commander';
import { sideFileEndings, stemOf, type SideFile } from '@/core/many-shells/side-files';
import { summaryCsv, summaryHtml, summaryText, type SummaryRow } from '@/formats/report/audit-summary';
import type { InputFile, ShellInputs } from '@/services/do/packages/shell-inputs';
import { auditFormats, type AuditFormat, type PackageAudit } from '@/services/do/packages/audit-package';
import { auditPackages } from '@/services/do/packages/audit-packages';
import { todayHere } from '@/services/keep/time/clock';
import { openProgress } from './progress-line';
import { inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface AuditFlags extends ShellFlags {
  format: AuditFormat;
  out?: string;
  outDir?: string;
  timing: boolean;
  workers?: number;
  failOn?: 'fix-first';
}

/** Bundles of the threads that audit whole packages and that read the pages of one; null where there is none. */
export interface WorkerFiles {
  readonly audit: string | null;
  readonly pages: string | null;
}

export function addAudit(program: Command, setCode: (code: number) => void, workers: WorkerFiles): void {
  withShellFlags(
    program
      .command('audit')
      .description(
        'Reads packages and says what is wrong with them; changes nothing. Several at once give one summary table; a side file of NAME.imscc then stands beside it as NAME.events.ics, NAME.previous-events.ics, NAME.status.csv or NAME.roster.zip.',
      )
      .argument('<package...>', 'course packages, .imscc or .zip'),
  )
    .option('--format <json|csv|html|text>', 'what to print', formatOf, 'text' as AuditFormat)
    .option('--out <F>', 'write to a file instead of standard output')
    .option('--out-dir <DIR>', 'of several packages: also write each report into this folder')
    .option('--workers <N>', 'so many threads at once; all cores where it is not given', countOf)
    .option('--no-timing', 'leave the timing out, so that equal input gives equal bytes')
    .option('--fail-on <fix-first>', 'exit 1 where such a finding is open', failOn)
    .action(async (paths: string[], flags: AuditFlags) =>
      setCode(
        paths.length === 1 && !flags.outDir
          ? await auditOne(elementAt(paths, 0), flags, workers)
          : await auditMany(paths, flags, workers),
      ),
    );
}

function formatOf(text: string): AuditFormat {
  const known = auditFormats.find((f) => f === text);
  if (!known) throw new InvalidArgumentError(`It is one of ${auditFormats.join(', ')}.`);
  return known;
}
function countOf(text: string): number {
  const count = Number(text);
  if (!Number.isInteger(count) || count < 1 || count > 64)
    throw new InvalidArgumentError('It is a number from 1 to 64.');
  return count;
}
function failOn(text: string): string {
  if (text !== 'fix-first') throw new InvalidArgumentError('Only fix-first is known.');
  return text;
}

async function auditOne(path: string, flags: AuditFlags, workers: WorkerFiles): Promise<number> {
  const progress = await openProgress();
  const [result] = (await auditPackages(
    [{ inputs: inputsFrom(path, flags, todayHere()), format: flags.format, timing: flags.timing }],
    { workerFile: workers.audit, pageWorker: workers.pages, count: flags.workers },
    progress.say,
  )) as [PackageAudit];
  progress.end();
  if (!result.ok) return fail(result.trouble);
  if (!write(result.text, flags.out)) return 2;
  return failsOn(flags, [result]) ? 1 : 0;
}

async function auditMany(paths: readonly string[], flags: AuditFlags, workers: WorkerFiles): Promise<number> {
  const single = (['events', 'previousEvents', 'status', 'roster', 'code'] as const).find(
    (f) => flags[f] !== undefined,
  );
  if (single) {
    process.stderr.write(
      `currycomb: --${single.replace(/([A-Z])/g, (c) => `-${c.toLowerCase()}`)} belongs to one shell; of several packages put the side files beside each, as NAME.events.ics and so on.\n`,
    );
    return 2;
  }
  const orders = paths.map((path) => ({
    inputs: withSideFiles(inputsFrom(path, flags, todayHere()), path),
    format: flags.format,
    timing: flags.timing,
  }));
  const progress = await openProgress();
  const results = await auditPackages(
    orders,
    { workerFile: workers.audit, pageWorker: workers.pages, count: flags.workers },
    progress.say,
  );
  progress.end();
  const rows: SummaryRow[] = results.map((r, i) => ({
    package: elementAt(paths, i),
    trouble: r.ok ? null : r.trouble,
    line: r.ok ? r.line : null,
  }));
  if (flags.outDir !== undefined && !writeEach(flags.outDir, paths, results, flags.format)) return 2;
  const spell: Record<AuditFormat, () => string> = {
    text: () => summaryText(rows),
    csv: () => summaryCsv(rows),
    html: () => summaryHtml(rows),
    json: () =>
      `${JSON.stringify({ schema: 'currycomb.audits/1', packages: results.map((r, i) => ({ package: paths[i], ...(r.ok ? { audit: r.report } : { trouble: r.trouble }) })) }, null, 2)}\n`,
  };
  if (!write(spell[flags.format](), flags.out)) return 2;
  for (const row of rows) if (row.trouble !== null) process.stderr.write(`currycomb: ${row.trouble}\n`);
  if (results.some((r) => !r.ok)) return 3;
  return failsOn(flags, results) ? 1 : 0;
}

/** Side files that stand beside a package under its name. */
function withSideFiles(inputs: ShellInputs, path: string): ShellInputs {
  const beside = (is: SideFile): InputFile | undefined => {
    const side = `${stemOf(path)}.${sideFileEndings[is]}`;
    return existsSync(side) ? { path: side, name: basename(side) } : undefined;
  };
  return {
    ...inputs,
    events: beside('events'),
    previousEvents: beside('previousEvents'),
    status: beside('status'),
    roster: beside('roster'),
    baseline: beside('baseline') ?? inputs.baseline,
  };
}

/** Each report as NAME.json and so on; equal names are numbered. */
function writeEach(
  dir: string,
  paths: readonly string[],
  results: readonly PackageAudit[],
  format: AuditFormat,
): boolean {
  const taken = new Set<string>();
  try {
    mkdirSync(dir, { recursive: true });
    results.forEach((r, i) => {
      if (!r.ok) return;
      const stem = basename(elementAt(paths, i)).replace(/\.(imscc|zip)$/i, '');
      let name = stem;
      for (let n = 2; taken.has(name); n += 1) name = `${stem}-${n}`;
      taken.add(name);
      writeFileSync(join(dir, `${name}.${format === 'text' ? 'txt' : format}`), r.text);
    });
    return true;
  } catch {
    process.stderr.write(`currycomb: “${dir}” can’t be written into; name another folder.\n`);
    return false;
  }
}

function write(text: string, out: string | undefined): boolean {
  if (out === undefined) {
    process.stdout.write(text);
    return true;
  }
  try {
    writeFileSync(out, text);
    return true;
  } catch {
    process.stderr.write(`currycomb: “${out}” can’t be written; name another file.\n`);
    return false;
  }
}

const failsOn = (flags: AuditFlags, results: readonly PackageAudit[]): boolean =>
  flags.failOn !== undefined &&
  results.some((r) => r.ok && r.report.findings.some((f) => f.urgency === 'fix-first'));

/** One line on standard error; the exit code for input that could not be read. */
export function fail(message: string): number {
  process.stderr.write(`currycomb: ${message}\n`);
  return 3;
}

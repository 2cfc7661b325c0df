import { writeFileSync } from 'node:fs';
import { InvalidArgumentError, type Command } from 'commander';
import { auditJson } from '@/formats/report/audit-json';
import { auditCsv, auditText } from '@/formats/report/audit-text';
import { reportHtml } from '@/formats/report/report-html';
import { loadHouseRules } from '@/services/bring-in/house-rules-file';
import { readShell } from '@/services/bring-in/read-shell';
import { auditShell } from '@/services/comb/audit-shell';
import { todayHere } from '@/services/clock';
import { inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

const formats = ['json', 'csv', 'html', 'text'] as const;
type Format = (typeof formats)[number];

interface AuditFlags extends ShellFlags {
  format: Format;
  out?: string;
  timing: boolean;
  failOn?: 'fix-first';
}

export function addAudit(program: Command, setCode: (code: number) => void): void {
  withShellFlags(program.command('audit').description('Reads a package and says what is wrong with it; changes nothing.').argument('<package>', 'course package, .imscc or .zip'))
    .option('--format <json|csv|html|text>', 'what to print', formatOf, 'text' as Format)
    .option('--out <F>', 'write to a file instead of standard output')
    .option('--no-timing', 'leave the timing out, so that equal input gives equal bytes')
    .option('--fail-on <fix-first>', 'exit 1 where such a finding is open', failOn)
    .action(async (path: string, flags: AuditFlags) => setCode(await audit(path, flags)));
}

function formatOf(text: string): Format {
  const known = formats.find((f) => f === text);
  if (!known) throw new InvalidArgumentError(`It is one of ${formats.join(', ')}.`);
  return known;
}
function failOn(text: string): string {
  if (text !== 'fix-first') throw new InvalidArgumentError('Only fix-first is known.');
  return text;
}

async function audit(path: string, flags: AuditFlags): Promise<number> {
  const inputs = inputsFrom(path, flags, todayHere());
  const rules = loadHouseRules(inputs.houseRules);
  if (!rules.ok) return fail(rules.trouble.message);
  const begun = performance.now();
  const reading = await readShell(inputs);
  if (!reading.ok) return fail(reading.trouble.message);
  const { shell, intake, archive } = reading.value;
  archive.close();
  const read = performance.now();
  const result = auditShell(shell, rules.value);
  const done = performance.now();
  const round = (ms: number) => Math.round(ms * 10) / 10;
  const timing = flags.timing ? { readMs: round(read - begun), auditMs: round(done - read) } : undefined;
  const text = {
    json: () => `${JSON.stringify(auditJson(shell, intake, result, timing), null, 2)}\n`,
    csv: () => auditCsv(result),
    html: () => reportHtml({ shell, intake, audit: result }),
    text: () => auditText(shell, intake, result),
  }[flags.format]();
  if (flags.out === undefined) process.stdout.write(text);
  else
    try {
      writeFileSync(flags.out, text);
    } catch {
      process.stderr.write(`currycomb: “${flags.out}” can’t be written; name another file.\n`);
      return 2;
    }
  return flags.failOn && result.findings.some((f) => f.urgency === 'fix-first') ? 1 : 0;
}

/** One line on standard error; the exit code for input that could not be read. */
export function fail(message: string): number {
  process.stderr.write(`currycomb: ${message}\n`);
  return 3;
}

// npm run bench: the figures of docs/performance.md, all in one run on one machine. Nothing here is a test.
import { cpus } from 'node:os';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { exponent, measure } from './measure';
import { writeGenerated } from '../e2e/generated-package';

const sizes = process.argv
  .slice(2)
  .map(Number)
  .filter((n) => n > 0);
const wanted = sizes.length ? sizes : [400, 1000, 3000, 10_000, 30_000];
const folder = mkdtempSync(join(tmpdir(), 'currycomb-bench-'));
const lines: string[] = [];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};
const audit = (file: string, events: string) => [
  'dist/cli.mjs',
  'audit',
  file,
  '--events',
  events,
  '--term-start',
  '2027-01-11',
  '--term-end',
  '2027-05-07',
  '--as-of',
  '2027-01-04',
  '--format',
  'json',
];
const ms = (n: number) => `${Math.round(n).toLocaleString('en-GB')} ms`;

try {
  say('# Performance');
  say('');
  say(
    `Made by \`npm run bench\` on ${new Date().toISOString().slice(0, 10)}, on ${cpus().length} cores (${cpus()[0]?.model ?? 'unknown'}), Node ${process.version}. Times are medians; a figure of another machine says little beside these, the ratios do.`,
  );
  say('');
  say('## The demo shell HYD 214');
  say('');
  const demo = 'demo/out/hyd-214';
  const timings: { readMs: number; auditMs: number }[] = [];
  for (let i = 0; i < 7; i += 1) {
    const run = await measure(
      [
        'dist/cli.mjs',
        'audit',
        `${demo}/HYD-214.imscc`,
        '--events',
        `${demo}/events.ics`,
        '--previous-events',
        `${demo}/previous-events.ics`,
        '--previous-term-start',
        '2025-08-25',
        '--previous-term-end',
        '2025-12-12',
        '--status',
        `${demo}/status.csv`,
        '--code',
        'HYD 214',
        '--term-start',
        '2027-01-11',
        '--term-end',
        '2027-05-07',
        '--as-of',
        '2027-01-04',
        '--format',
        'json',
      ],
      1,
    );
    timings.push((JSON.parse(run.output) as { timing: { readMs: number; auditMs: number } }).timing);
  }
  const middle = (list: number[]) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
  say(
    `Reading ${ms(middle(timings.map((t) => t.readMs)))}, combing ${ms(middle(timings.map((t) => t.auditMs)))} (345 items, 443 files, 120 events; every check but the link probe).`,
  );
  say('');
  say('## Generated shells, whole process');
  say('');
  say(
    'The yardstick is one plain pass over the same package (`bench/yardstick.mjs`: inflate, SHA-256, strip tags). Both are whole processes, from call to last byte, less what a nearly empty shell takes.',
  );
  say('');
  say(
    '| items | yardstick | reading and audit | ratio | peak memory over an empty shell | of the unpacked text |',
  );
  say('|---|---|---|---|---|---|');
  const empty = await writeGenerated(3, join(folder, 'empty'));
  const emptyYard = await measure(['bench/yardstick.mjs', empty.package], 5);
  const emptyAudit = await measure(audit(empty.package, empty.events), 5);
  const bareNode = await measure(['-e', '0'], 5);
  const points: { size: number; cost: number }[] = [];
  for (const size of wanted) {
    const files = await writeGenerated(size, join(folder, String(size)));
    const runs = size > 5000 ? 3 : 5;
    const yard = await measure(['bench/yardstick.mjs', files.package], runs);
    const run = await measure(audit(files.package, files.events), runs);
    const text = (JSON.parse(yard.output) as { text: number }).text / 1024 / 1024;
    const cost = run.ms - emptyAudit.ms;
    const yardCost = yard.ms - emptyYard.ms;
    const memory = run.peakMb - emptyAudit.peakMb;
    points.push({ size, cost });
    say(
      `| ${size.toLocaleString('en-GB')} | ${ms(yardCost)} | ${ms(cost)} | ${(cost / yardCost).toFixed(2)} | ${Math.round(memory)} MB | ${(memory / text).toFixed(1)} times ${text.toFixed(1)} MB |`,
    );
  }
  const large = points.filter((p) => p.size >= 1000);
  if (large.length > 1) {
    say('');
    say(
      `Cost grows with the exponent ${exponent(large).toFixed(2)} from ${large[0]!.size.toLocaleString('en-GB')} to ${large.at(-1)!.size.toLocaleString('en-GB')} items. A nearly empty shell takes ${ms(emptyAudit.ms)} and ${Math.round(emptyAudit.peakMb)} MB.`,
    );
  }
  say('');
  say(
    `A nearly empty package is audited in ${(emptyAudit.ms / bareNode.ms).toFixed(1)} times what Node itself takes to start (${ms(bareNode.ms)}); wanted are fewer than 5.`,
  );
  say('');
  say('A package of one gigabyte with 20,000 files: [performance-large.md](performance-large.md).');
  mkdirSync('docs', { recursive: true });
  if (!sizes.length) writeFileSync('docs/performance.md', `${lines.join('\n')}\n`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

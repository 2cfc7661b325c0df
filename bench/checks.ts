// npm run bench:checks: what each check costs at 10,000 items, and near-duplicates against comparing every pair.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks, type CheckTiming } from '@/core/checks/run/run-checks';
import { nearPairs, nearPairsExhaustively } from '@/core/text/near-pairs';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import { dice } from './corpus/prose';
import { writeGenerated } from '../e2e/generated-package';

const size = Number(process.argv[2] ?? 10_000);
const lines: string[] = [];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};
const whole = (n: number) => Math.round(n).toLocaleString('en-GB');
const folder = mkdtempSync(join(tmpdir(), 'currycomb-checks-'));
try {
  const files = await writeGenerated(size, join(folder, 'generated'));
  const read = await readShell({
    package: { path: files.package, name: 'generated.imscc' },
    events: { path: files.events, name: 'generated.ics' },
    termStart: '2027-01-11' as LocalDate,
    termEnd: '2027-05-07' as LocalDate,
    asOf: '2027-01-04' as LocalDate,
    today: '2027-01-04' as LocalDate,
  });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  let timings: readonly CheckTiming[] = [];
  const begun = performance.now();
  const audit = runChecks(read.value.shell, {
    checks: allChecks,
    clock: () => performance.now(),
    onTimings: (all) => (timings = all),
  });
  const first = performance.now() - begun;
  const [again] = timed(() =>
    runChecks({ ...read.value.shell, items: read.value.shell.items.slice(0, -1) }, { checks: allChecks }),
  );
  say('# What each check costs');
  say('');
  say(
    `Made by \`npm run bench:checks\` on ${new Date().toISOString().slice(0, 10)}, Node ${process.version}: a generated shell of ${whole(size)} items, ${whole(first)} ms in all, and ${whole(again)} ms when it is combed again after an item went, since what was found in unchanged bodies is kept. A check that is the first to ask for a fact, such as the link graph or the texts, pays for it.`,
  );
  say('');
  say('| check | milliseconds | findings |');
  say('|---|---:|---:|');
  for (const { check, milliseconds } of [...timings].sort(
    (a, b) => b.milliseconds - a.milliseconds || (a.check < b.check ? -1 : 1),
  ))
    say(
      `| ${check} | ${milliseconds < 10 ? milliseconds.toFixed(1) : whole(milliseconds)} | ${audit.findings.filter((f) => f.check === check).length} |`,
    );
  say('');
  say('## Near-duplicates');
  say('');
  const few = size / 5;
  const small = pages(few);
  const [quickSmall, quick] = timed(() => nearPairs(small, 0.7));
  const [exactSmall, exact] = timed(() => nearPairsExhaustively(small, 0.7));
  const found = new Set(quick.map((p) => `${p.a} ${p.b}`));
  const wanted = exact.filter((p) => p.similarity >= 0.75);
  const invented = quick.filter((p) => !exact.some((e) => e.a === p.a && e.b === p.b)).length;
  const [quickLarge] = timed(() => nearPairs(pages(size), 0.7));
  const exactLarge = exactSmall * (size / few) ** 2;
  say('| pages | by banding | by comparing every pair | times faster |');
  say('|---:|---:|---:|---:|');
  say(
    `| ${whole(few)} | ${whole(quickSmall)} ms | ${whole(exactSmall)} ms | ${(exactSmall / quickSmall).toFixed(1)} |`,
  );
  say(
    `| ${whole(size)} | ${whole(quickLarge)} ms | ${whole(exactLarge)} ms, worked out from the line above, since pairs grow as the square | ${(exactLarge / quickLarge).toFixed(0)} |`,
  );
  say('');
  say(
    `Of ${wanted.length} pairs at 0.75 or more among ${whole(few)} pages, ${wanted.filter((p) => found.has(`${p.a} ${p.b}`)).length} were found: recall ${(wanted.filter((p) => found.has(`${p.a} ${p.b}`)).length / wanted.length).toFixed(4)}. Pairs invented: ${invented}.`,
  );
  if (size === 10_000) writeFileSync('docs/performance-checks.md', `${lines.join('\n')}\n`);
} finally {
  rmSync(folder, { recursive: true, force: true });
}

function timed<T>(work: () => T): [number, T] {
  const begun = performance.now();
  const result = work();
  return [performance.now() - begun, result];
}

/** Texts of some 300 words; every tenth is another one with a few words exchanged. */
function pages(count: number): string[] {
  const d = dice(count);
  const word = () => `w${Math.floor(4000 * d.next() ** 3)}`;
  const made: string[][] = [];
  for (let i = 0; i < count; i += 1) {
    const old = i % 10 === 9 ? made[d.below(i)]! : null;
    made.push(
      old
        ? old.map((w) => (d.below(60) === 0 ? word() : w))
        : Array.from({ length: 280 + d.below(60) }, word),
    );
  }
  return made.map((w) => w.join(' '));
}

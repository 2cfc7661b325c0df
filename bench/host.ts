// npm run bench:host: how fast plans are rehearsed, carried out and reset on a quiet campus host. Needs `npm run build:workers` before.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { auditShell } from '@/services/do/packages/audit-shell';
import { rulesFrom } from '@/services/keep/rules/written-rules';
import { rehearse } from '@/core/rehearse/rehearse';
import { resetShell, usualAreas } from '@/core/plan/reset/reset-shell';
import { makeStep } from '@/core/plan/written-step';
import type { Shell } from '@/core/shell/model';
import type { Result } from '@/core/shell/result';
import type { Sha256 } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { orderRun } from '@/services/do/carry-out/order-run';
import { changePlan } from '@/services/do/decide/change-plan';
import { countPlan } from '@/services/keep/plan/plan';
import type { Context } from '@/services/keep/desks/context';
import { signInToHost } from '@/services/do/hosts/sign-in';
import { orderPull } from '@/services/do/hosts/order-pull';
import { openContext } from '@/services/wire/folder/open-context';
import { orderRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { findShell, runsOf } from '@/services/keep/shells/current-shell';
import { summaryOf } from '@/services/keep/runs/run-summary';
import { planSteps } from '@/store/schema';
import { shellOf } from '@/services/keep/shells/kept-state';
import { bio355AtHost } from '../demo/bio-355/build';
import { CampusHost } from '../stand-ins/campus/host';
import { seedShell } from '../stand-ins/campus/seed-shell';
import { startCampusHost } from '../stand-ins/campus/serve';

const size = Number(process.argv[2] ?? 10_000);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-bench-host-'));
const lines: string[] = [];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};
const must = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};
async function timed<T>(work: () => T | Promise<T>): Promise<readonly [number, T]> {
  const begun = performance.now();
  const value = await work();
  return [performance.now() - begun, value];
}

function composed(items: number): ShellComposer {
  const c = new ShellComposer();
  for (let n = 0; n < items; n += 1) {
    const week = `m${Math.floor(n / 40)}`;
    if (n % 40 === 0) c.module(`Week ${n / 40 + 1}`, { ref: week });
    else
      c.page(
        `Page ${n}`,
        `<p>Text ${n} of the marsh leads <a href="p${n - (n % 40 === 1 ? 0 : 1)}.html">back</a>.</p>`,
        {
          ref: `p${n}`,
          parent: week,
          path: `pages/p${n}.html`,
          studentWork: 0,
        },
      );
  }
  return c;
}

/** Milliseconds to rehearse a reset of a shell, both combings included; and without them. */
function rehearsed(shell: Shell): { readonly whole: number; readonly alone: number } {
  const rules = must(rulesFrom({}));
  const { step } = must(resetShell(shell, { areas: usualAreas, keep: [] }));
  if (!step) throw new Error('nothing would go');
  const rename = must(
    makeStep(shell, {
      action: 'hide',
      targets: shell.items.slice(0, shell.items.length / 2).map(({ ref }) => ref),
      params: {},
      from: 'hand',
    }),
  );
  const before = auditShell(shell, rules);
  const times = [1, 2, 3].map(() => {
    const begun = performance.now();
    rehearse(shell, before, [rename], rules, (after) => auditShell(after, rules));
    return performance.now() - begun;
  });
  const alone = [1, 2, 3].map(() => {
    const begun = performance.now();
    rehearse(shell, before, [step], rules, () => before);
    return performance.now() - begun;
  });
  const middle = (list: number[]) => [...list].sort((a, b) => a - b)[1] ?? 0;
  return { whole: middle(times), alone: middle(alone) };
}

async function job(context: Context, ordered: Result<{ jobId: string }>): Promise<void> {
  const view = await context.jobs.ended(must(ordered).jobId);
  if (view?.state !== 'done') throw new Error(view?.trouble ?? 'no job');
  if (view.result?.includes('"paused"')) throw new Error(view.result);
  while (!context.jobs.idle) await new Promise((resolve) => setTimeout(resolve, 5));
}

const ms = (n: number) => `${Math.round(n).toLocaleString('en-GB')} ms`;
const host = new CampusHost();
const composer = composed(size);
const large = { ...composer.shell(), code: 'GEN 100', title: 'Generated' };
const hostShell = seedShell(host, large, composer.source);
const running = await startCampusHost(host);
const context = openContext({
  dataDir: join(folder, 'data'),
  migrationsDir: join(process.cwd(), 'src/store/migrations'),
  workers: join(process.cwd(), 'dist/workers'),
});
try {
  say('# A campus host, measured\n');
  say(
    `Made by \`npm run bench:host\` on ${new Date().toISOString().slice(0, 10)}: the quiet stand-in on the same machine (${cpus().length} × ${cpus()[0]?.model.trim() ?? ''}), a generated shell of ${large.items.length.toLocaleString('en-GB')} items, and BIO 355 of the demo.\n`,
  );
  say('| | measured | goal |\n|---|---:|---:|');
  const small = rehearsed(bio355AtHost().shell);
  say(`| rehearsal of 412 items, the copy combed | ${ms(small.whole)} | 300 ms |`);
  say(`| rehearsal of a reset of 412 items, without combing | ${ms(small.alone)} | |`);
  const big = rehearsed(large);
  say(
    `| rehearsal of ${size.toLocaleString('en-GB')} items, the copy combed | ${ms(big.whole)} | 3,000 ms |`,
  );
  say(
    `| rehearsal of a reset of ${size.toLocaleString('en-GB')} items, without combing | ${ms(big.alone)} | |`,
  );
  const { id: hostId } = must(
    await signInToHost(context, { address: running.address, name: 'r.alder', secret: 'marsh-marigold' }),
  );
  const [pulling] = await timed(() => job(context, orderPull(context, { hostId, shell: hostShell })));
  say(`| shell read until two readings agree, and combed | ${ms(pulling)} | |`);
  const shellId = context.db.$client.prepare('SELECT id FROM shells').pluck().get() as string;
  const now = () => {
    const shell = findShell(context, shellId);
    if (!shell) throw new Error('the shell is gone');
    return shell;
  };
  const here = () => shellOf(context.blobs, now().version.stateBlob as Sha256);
  const steps = here().items.map(({ ref, title }) => ({
    action: 'rename' as const,
    targets: [ref],
    params: { titles: { [ref]: `${title}, revised` } },
    from: 'hand',
  }));
  // As many steps as there are items, each a row of its own, as they would be after 10,000 decisions.
  context.db.transaction((tx) => {
    steps.forEach((written, place) => {
      const step = must(makeStep(here(), written));
      tx.insert(planSteps)
        .values({
          id: `bench-${place}`,
          shellId,
          place,
          findingId: null,
          how: 'hand',
          action: step.action,
          step: JSON.stringify(step),
          addedAt: new Date().toISOString(),
        })
        .run();
    });
    countPlan(tx, shellId);
  });
  await job(context, orderRehearsal(context, now()));
  const [running10] = await timed(async () => {
    const view = await context.jobs.ended(must(orderRun(context, now())).jobId);
    if (view?.state !== 'done') throw new Error(view?.trouble ?? '');
  });
  while (!context.jobs.idle) await new Promise((resolve) => setTimeout(resolve, 5));
  const batches = context.db.$client
    .prepare('SELECT min(at) AS first, max(at) AS last FROM run_batches')
    .get() as { first: string; last: string };
  const sending = Date.parse(batches.last) - Date.parse(batches.first);
  say(`| run of ${steps.length.toLocaleString('en-GB')} steps, read before and after | ${ms(running10)} | |`);
  say(
    `| of that, sending: steps a second | ${Math.round((steps.length / sending) * 1000).toLocaleString('en-GB')} | 500 |`,
  );
  say(
    `| steps a second over the whole run | ${Math.round((steps.length / running10) * 1000).toLocaleString('en-GB')} | |`,
  );
  const reset = {
    action: 'reset-area',
    targets: [...usualAreas],
    params: { keep: [] },
    from: 'hand',
  } as const;
  must(await changePlan(context, shellId, 'new-step', { ...reset, targets: [...usualAreas] }));
  await job(context, orderRehearsal(context, now()));
  const [resetting] = await timed(async () => {
    const view = await context.jobs.ended(must(orderRun(context, now())).jobId);
    if (view?.state !== 'done') throw new Error(view?.trouble ?? '');
  });
  while (!context.jobs.idle) await new Promise((resolve) => setTimeout(resolve, 5));
  const [last] = runsOf(context, shellId);
  const emptiness = last ? summaryOf(last).emptiness : null;
  say(
    `| reset of ${size.toLocaleString('en-GB')} items, read before and after | ${ms(resetting)} | 30,000 ms |`,
  );
  say(`| left after it, by a fresh reading | ${emptiness?.left ?? '?'} of ${emptiness?.before ?? '?'} | 0 |`);
  if (process.argv[2] === undefined) writeFileSync('docs/performance-host.md', `${lines.join('\n')}\n`);
} finally {
  await context.close();
  await running.close();
  rmSync(folder, { recursive: true, force: true });
}

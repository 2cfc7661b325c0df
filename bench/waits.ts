// npm run bench:waits: how long somebody else waits while a person works on a large shell. Needs `npm run build` before.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { writeSection } from '../e2e/reliability-report';
import { Server } from '../e2e/server';
import { SomebodyElse } from '../e2e/somebody-else';
import { writeGenerated } from '../e2e/generated-package';

const size = 10_000;
/** Nobody shall wait longer than this for an answer, in milliseconds. */
const goal = 200;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-waits-'));
const server = new Server(join(folder, 'data'));

interface Wait {
  readonly doing: string;
  readonly taken: number;
  /** The longest that somebody else waited meanwhile, asking without a break. */
  readonly others: number;
}
const waits: Wait[] = [];

async function measure<T>(other: SomebodyElse, doing: string, work: () => Promise<T>): Promise<T> {
  let taken = 0;
  const { result, longest } = await other.during(async () => {
    const begun = performance.now();
    const value = await work();
    taken = performance.now() - begun;
    return value;
  });
  waits.push({ doing, taken, others: longest });
  console.log(`${doing}: ${Math.round(taken)} ms; others ${Math.round(longest)} ms`);
  return result;
}

/** What is answered badly is no measurement. */
async function answered(asked: Promise<{ readonly status: number }>): Promise<void> {
  const { status } = await asked;
  if (status !== 200) throw new Error(`answered with status ${status}`);
}

async function job(path: string, body: unknown = {}): Promise<string> {
  const followed = await server.follow(path, body, 120_000);
  if (!followed.done) throw new Error(`${path}: ${followed.told}`);
  return followed.result;
}

/** A thousand findings whose remedy deletes something, one finding to be looked at, and a thousand items. */
function pickFrom(dataDir: string, shellId: string) {
  const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true });
  const ids = (query: string) => db.prepare<[string], string>(query).pluck().all(shellId);
  const its = 'audit_id IN (SELECT id FROM audits WHERE shell_id = ?)';
  const checks = "'orphan.unused-file', 'duplicate.same-content', 'orphan.empty-module'";
  const findings = ids(
    `SELECT id FROM findings WHERE ${its} AND step IS NOT NULL AND "check" IN (${checks}) LIMIT 1000`,
  );
  const all = ids(`SELECT id FROM findings WHERE ${its} ORDER BY place`);
  const finding = all[Math.floor(all.length / 2)];
  const sketch = ids('SELECT sketch FROM versions WHERE shell_id = ? LIMIT 1')[0] ?? '{}';
  const { items } = JSON.parse(sketch) as { readonly items: readonly { readonly ref: string }[] };
  db.close();
  return { findings, finding, refs: items.slice(20, 1020).map(({ ref }) => ref) };
}

const screens = [
  'bring-in',
  'comb',
  'decide',
  'decide/outline',
  'decide/calendar',
  'decide/values',
  'decide/re-date',
  'rehearse/plan',
  'carry-out/reset',
  'carry-out/restore-points',
  'prove/student',
  'prove/part',
] as const;

async function measureAll(other: SomebodyElse, items: number): Promise<void> {
  const generated = await writeGenerated(items, join(folder, `generated-${items}`));
  const upload = await server.upload(new Uint8Array(readFileSync(generated.package)));
  const form = {
    package: { id: upload.value.id, name: 'large.imscc' },
    code: `GEN ${items}`,
    termStart: '2027-01-11',
    termEnd: '2027-05-07',
    previousTermStart: '2026-08-24',
    previousTermEnd: '2026-12-11',
    asOf: '2027-01-04',
  };
  const read = await measure(other, 'bring in', () => job('/api/bring-in', form));
  const { shellId } = JSON.parse(read) as { shellId: string };
  const base = `/api/shells/${shellId}`;
  await measure(other, 'comb', () => job(`${base}/comb`));
  for (const screen of screens)
    await measure(other, `look at ${screen}`, () =>
      answered(server.wholePage(`/shells/${shellId}/${screen}`)),
    );
  const { findings, finding, refs } = pickFrom(server.dataDir, shellId);
  const post = (what: string, path: string, body: unknown) =>
    measure(other, what, () => answered(server.ask(`${base}/${path}`, body)));
  const look = (what: string, path: string) =>
    measure(other, what, () => answered(server.page(`${base}/${path}`)));
  const hide = (targets: readonly string[]) => ({
    edit: 'add',
    step: { action: 'hide', targets, params: {} },
  });
  await look('evidence of a finding', `evidence/${finding}`);
  await look('look of an item', `look?type=item&ref=${encodeURIComponent(refs[5] ?? '')}`);
  await post('accept 1,000 findings', 'decisions', { decision: 'accept', findings });
  await look('plan drawer', 'stages/drawer');
  await post('hide one item by hand', 'plan', hide(refs.slice(1, 2)));
  await post('hide 1,000 items by hand', 'plan', hide(refs));
  await look('the outline with all that', 'stages/outline');
  await post('look at a re-dating', 'redate', { mode: 'shift', days: 7 });
  await post('look at a reset', 'reset', { areas: ['items', 'files', 'events'] });
  await look('report', 'report');
  await measure(other, 'rehearse', () => job(`${base}/rehearse`));
  await measure(other, 'carry out', () => job(`${base}/run`));
  await measure(other, 'ledger', () => answered(server.wholePage(`/shells/${shellId}/carry-out/ledger`)));
  await measure(other, 'proof', () => answered(server.wholePage(`/shells/${shellId}/prove`)));
}

try {
  await server.start();
  await server.page('/');
  const other = new SomebodyElse(server.address);
  // A page or a route loads its program when it is first asked for: all of them are, before anything counts.
  await measureAll(other, 400);
  waits.length = 0;
  await measureAll(other, size);
  await other.end();
} finally {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}
const rows = waits.map(({ doing, taken, others }) => {
  const number = (ms: number) => Math.round(ms).toLocaleString('en');
  return `| ${doing} | ${number(taken)} ms | ${number(others)} ms |`;
});
const worst = waits.reduce((most, wait) => (wait.others > most.others ? wait : most));
const over = waits.filter(({ others }) => others > goal).length;
writeSection(
  'What others wait',
  `\`npm run bench:waits\` of ${new Date().toISOString().slice(0, 10)}: a shell of ${size.toLocaleString('en')} items is worked on by one person, on a server whose pages were drawn before, while another asks for the health of the server without a break; the bench, the server and its threads share one machine of two cores. Goal: nobody waits longer than ${goal} ms. The longest was ${Math.round(worst.others)} ms (${worst.doing}); ${over} of ${waits.length} are over the goal.

| one person | takes | the longest that another waited |
|---|---:|---:|
${rows.join('\n')}`,
);

import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { linkGraphOf } from '@/core/links/graph';
import { openArchive } from '@/formats/archive/read-archive';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { Shell } from '@/core/shell/model';
import type { LocalDate } from '@/core/dates/local-date';
import { readShell } from '@/services/do/packages/read-shell';
import { cleanPackage, type Acceptance } from '@/services/do/clean/clean-package';
import { cleanSchema } from '@/services/do/clean/clean-summary';
import { docTreePackage } from './doc-tree';
import { packagingErrors } from './packaging-schema';

const today = '2027-01-04' as LocalDate;
const rules = defaultHouseRules(allChecks);
let folder: string;
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'currycomb-clean-test-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const input = (path: string) => ({ path, name: path.slice(path.lastIndexOf('/') + 1) });
const shellOf = async (path: string): Promise<Shell> => {
  const read = await readShell({ package: input(path), today });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  return read.value.shell;
};
async function bytesOf(path: string): Promise<Map<string, Buffer>> {
  const archive = await openArchive(path, 'p');
  if (!archive.ok) throw new Error(archive.trouble.message);
  const all = new Map(
    archive.value.entries.map((e) => {
      const bytes = archive.value.read(e.path);
      if (!bytes.ok) throw new Error(bytes.trouble.message);
      return [e.path, Buffer.from(bytes.value)];
    }),
  );
  archive.value.close();
  return all;
}
const clean = (
  path: string,
  accept: Acceptance,
  out: string | null,
  more: { leaveBlocked?: boolean; dryRun?: boolean } = {},
) =>
  cleanPackage(
    { package: input(path), today },
    { accept, outDir: out, leaveBlocked: false, dryRun: false, rules, ...more },
  );
async function summaryOf(...args: Parameters<typeof clean>) {
  const result = await clean(...args);
  if (!result.ok) throw new Error(result.trouble.message);
  if (result.value.kind !== 'cleaned') throw new Error(result.value.lines.join('\n'));
  return result.value.summary;
}

describe('a package made from a real documentation tree', () => {
  const tree = docTreePackage();
  let source: string;
  let out: string;
  beforeAll(async () => {
    source = join(folder, 'doc-tree.imscc');
    out = join(folder, 'out');
    await tree.composer.write(source);
  });

  test('what was accepted is gone, what stays is there, nothing else was touched', async () => {
    const summary = await summaryOf(source, { safe: true }, out);
    expect(cleanSchema.parse(summary)).toEqual(summary);
    const after = await bytesOf(join(out, 'shell.imscc'));
    const wrong = [...tree.planted.leftOver, ...tree.planted.doubledPages].filter((path) => after.has(path));
    expect(wrong).toEqual([]);
    // Of each pair one stays: the one that more links point at.
    for (const [first, second] of tree.planted.doubledFiles)
      expect([first, after.has(first)]).not.toEqual([first, after.has(second)]);

    const removed = new Set(
      summary.steps.filter((s) => s.action === 'delete' && s.outcome === 'done').flatMap((s) => s.targets),
    );
    const shell = await shellOf(source);
    const pageRefs = new Map(
      shell.contents.map((c) => [
        c.textPath as string,
        shell.items.find((i) => i.content === c.id)?.ref as string,
      ]),
    );
    let rewritten = 0;
    for (const [path, bytes] of tree.bytes) {
      const now = after.get(path);
      if (!now) expect(removed.has(path) || removed.has(pageRefs.get(path) ?? '')).toBe(true);
      else if (!now.equals(bytes)) rewritten += 1;
    }
    expect(rewritten).toBeGreaterThan(0);
    expect(rewritten).toBeLessThanOrEqual(summary.relinked);
    expect(summary.relinked).toBeGreaterThanOrEqual(10);
    for (const check of ['duplicate.repeated-import', 'duplicate.same-content', 'duplicate.same-file'])
      expect([check, summary.after[check]]).toEqual([check, 0]);
    expect(summary.before['duplicate.same-file']).toBeGreaterThanOrEqual(12);
  });

  test('no link is newly broken', async () => {
    const [before, after] = [await shellOf(source), await shellOf(join(out, 'shell.imscc'))];
    const broken = (shell: Shell) => new Set(linkGraphOf(shell).broken.map((b) => `${b.from} ${b.asked}`));
    const old = broken(before);
    expect([...broken(after)].filter((b) => !old.has(b))).toEqual([]);
  });

  test('a second cleaning of the result does nothing and leaves every byte', async () => {
    const again = join(folder, 'again');
    const summary = await summaryOf(join(out, 'shell.imscc'), { safe: true }, again);
    expect(summary).toMatchObject({ accepted: [], steps: [], relinked: 0, caused: [] });
    expect(readFileSync(join(again, 'shell.imscc')).equals(readFileSync(join(out, 'shell.imscc')))).toBe(
      true,
    );
  });

  test('the written package is valid against the Content Packaging schema and reads back equal', async () => {
    const files = await bytesOf(join(out, 'shell.imscc'));
    expect(await packagingErrors(files.get('imsmanifest.xml')!.toString('utf8'))).toEqual([]);
    const first = await shellOf(join(out, 'shell.imscc'));
    const second = join(folder, 'second.imscc');
    const { writeCartridge } = await import('@/formats/cartridge/write-cartridge');
    await writeCartridge(first, { read: (_hash, path) => files.get(path) ?? null }, second);
    expect(await shellOf(second)).toEqual(first);
  });

  test('the schema check can fail', async () => {
    expect(
      (
        await packagingErrors(
          '<manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1"><resources/></manifest>',
        )
      ).length,
    ).toBeGreaterThan(0);
  });
});

describe('the ways that cleaning ends', () => {
  let plain: string;
  beforeAll(async () => {
    plain = join(folder, 'plain.imscc');
    const c = new ShellComposer();
    const text = '<p>Stand downstream of the gauge and read at eye level.</p>';
    c.assignment('Gauge', text, 5, { ref: 'a', studentWork: 2 });
    c.assignment('Gauge', text, 5, { ref: 'b', studentWork: 1 });
    c.assignment('Gauge', text, 5, { ref: 'c', studentWork: 0 });
    c.file('left.txt', 'left over');
    await c.write(plain);
  });
  test('a blocked step: nothing is written, and each is named', async () => {
    const out = join(folder, 'blocked');
    const result = await clean(plain, { checks: ['duplicate.same-content'] }, out);
    expect(result).toMatchObject({
      ok: true,
      value: {
        kind: 'blocked',
        lines: [
          'delete b: “Gauge” has 1 piece of student work; hide it instead, or confirm that it is gone for good',
        ],
      },
    });
    expect(readdirSync(folder)).not.toContain('blocked');
  });
  test('with leave-blocked the others are done', async () => {
    const summary = await summaryOf(
      plain,
      { checks: ['duplicate.same-content', 'orphan.unused-file'] },
      join(folder, 'left'),
      { leaveBlocked: true },
    );
    expect(summary.removed).toMatchObject({ items: 1, files: 1 });
    expect(summary.steps.filter((s) => s.outcome === 'blocked').map((s) => s.targets)).toEqual([['b']]);
  });
  test('a dry run says the same and writes nothing', async () => {
    const before = readdirSync(folder);
    const summary = await summaryOf(plain, { checks: ['orphan.unused-file'] }, null, { dryRun: true });
    expect(summary.removed.files).toBe(1);
    expect(readdirSync(folder)).toEqual(before);
  });
  test('the written plan can be taken again; made for another state it is refused, naming what differs', async () => {
    const first = join(folder, 'planned');
    await summaryOf(plain, { checks: ['orphan.unused-file'] }, first);
    const plan: unknown = JSON.parse(readFileSync(join(first, 'plan.json'), 'utf8'));
    const second = join(folder, 'planned-again');
    await summaryOf(plain, { plan }, second);
    expect(readFileSync(join(second, 'shell.imscc')).equals(readFileSync(join(first, 'shell.imscc')))).toBe(
      true,
    );
    const other = await clean(join(first, 'shell.imscc'), { plan }, join(folder, 'x'));
    expect(!other.ok && other.trouble.message).toBe(
      'The plan was made for another state of this shell: contents, files differ. Make the plan again.',
    );
    expect(await clean(plain, { plan: { steps: [] } }, join(folder, 'x'))).toMatchObject({
      ok: false,
      trouble: { code: 'plan-unreadable' },
    });
  });
  test('a folder that holds something is refused', async () => {
    const full = mkdtempSync(join(tmpdir(), 'currycomb-full-'));
    writeFileSync(join(full, 'mine.txt'), 'x');
    expect(await clean(plain, { safe: true }, full)).toMatchObject({ ok: false, trouble: { code: 'usage' } });
    expect(readdirSync(full)).toEqual(['mine.txt']);
    rmSync(full, { recursive: true });
  });
  test('everything that was asked for stands in the folder', async () => {
    const out = join(folder, 'all');
    const ics = join(folder, 'e.ics');
    const csv = join(folder, 's.csv');
    writeFileSync(
      ics,
      'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:u\r\nDTSTAMP:20200101T000000Z\r\nDTSTART:20270201T100000Z\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n',
    );
    writeFileSync(csv, 'ref,visible\na,no\n');
    const result = await cleanPackage(
      {
        package: input(plain),
        events: input(ics),
        status: input(csv),
        termStart: '2027-01-11' as LocalDate,
        termEnd: '2027-05-07' as LocalDate,
        today,
      },
      {
        accept: { checks: ['calendar.carried-over'] },
        outDir: out,
        leaveBlocked: false,
        dryRun: false,
        rules,
      },
    );
    expect(result).toMatchObject({
      ok: true,
      value: { kind: 'cleaned', summary: { removed: { events: 1 } } },
    });
    expect(readdirSync(out).sort()).toEqual([
      'events.ics',
      'plan.json',
      'report.html',
      'shell.imscc',
      'status.csv',
      'summary.json',
    ]);
    expect(readFileSync(join(out, 'events.ics'), 'utf8')).not.toContain('VEVENT');
    expect(readFileSync(join(out, 'status.csv'), 'utf8')).toContain('a,Gauge,assignment,no');
    expect(readFileSync(join(out, 'report.html'), 'utf8')).toMatch(/^<!doctype html>[\s\S]*What was done/);
  });
});

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/dates/local-date';
import { BlobStore } from '@/store/blobs';
import { readShell } from '@/services/do/packages/read-shell';
import { auditShell } from '@/services/do/packages/audit-shell';
import { good, hostile } from './hostile-list';
import { rawZip } from './raw-zip';

const today = '2027-01-04' as LocalDate;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-hostile-'));
const blobs = new BlobStore(join(folder, 'blobs'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('there are at least sixty of them', () => expect(hostile.length).toBeGreaterThanOrEqual(60));

test.each(hostile)('$what', async ({ zip, events, status, outcome, note }) => {
  const file = (name: string, data: string | Buffer) => {
    const path = join(folder, name);
    writeFileSync(path, data);
    return { path, name };
  };
  const begun = performance.now();
  const read = await readShell(
    {
      package: file('p.imscc', zip ? zip() : rawZip(good)),
      events: events === undefined ? undefined : file('e.ics', events),
      status: status === undefined ? undefined : file('s.csv', status),
      termStart: '2027-01-11' as LocalDate,
      termEnd: '2027-05-07' as LocalDate,
      today,
    },
    { sink: blobs },
  );
  if (read.ok) {
    read.value.archive.close();
    // What was read can be combed, too.
    const audit = auditShell(read.value.shell);
    expect(audit.checks.filter((c) => c.outcome.state === 'could-not-run')).toEqual([]);
  }
  // How fast it is, bench:limits and hostile tell; here it only has to end.
  expect((performance.now() - begun) / 1000).toBeLessThan(240);
  expect(process.memoryUsage().rss / 1024 ** 2).toBeLessThan(1536);
  expect(read.ok ? 'read' : 'refused').toBe(outcome);
  if (!read.ok) expect(read.trouble.message).toMatch(/^[^\n]{10,400}[.!?]$/);
  else if (note !== undefined) expect(read.value.intake.map((n) => n.code)).toContain(note);
});

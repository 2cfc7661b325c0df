import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { cleanPackage } from '@/services/do/clean/clean-package';
import { cleanedInputs, faults, remedied, writeTroubled } from './troubled-shell';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-remedies-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const rules = { ...defaultHouseRules(allChecks), campusHosts: ['campus.example'] };

test('every remedy is taken, written, read back, and leaves nothing for a second cleaning', async () => {
  const inputs = await writeTroubled(join(folder, 'in'), Object.keys(faults));
  const out = join(folder, 'out');
  const first = await cleanPackage(inputs, {
    accept: { checks: remedied },
    outDir: out,
    leaveBlocked: true,
    dryRun: false,
    rules,
  });
  if (!first.ok) throw new Error(first.trouble.message);
  if (first.value.kind !== 'cleaned') throw new Error('blocked');
  const { summary } = first.value;
  expect(remedied.filter((id) => !(summary.before[id]! > 0))).toEqual([]);
  const left = remedied.filter((id) => summary.after[id]! > 0);
  expect(left).toEqual([]);
  // What one remedy left behind another one takes; nothing else was made worse.
  expect(summary.caused.map((f) => f.check).filter((check) => remedied.includes(check))).toEqual([]);
  const again = await cleanPackage(cleanedInputs(inputs, out), {
    accept: { checks: remedied },
    outDir: join(folder, 'again'),
    leaveBlocked: true,
    dryRun: false,
    rules,
  });
  if (!again.ok || again.value.kind !== 'cleaned') throw new Error('second cleaning');
  expect(again.value.summary).toMatchObject({ accepted: [], steps: [] });
  expect(readFileSync(join(folder, 'again/shell.imscc')).equals(readFileSync(join(out, 'shell.imscc')))).toBe(
    true,
  );
});

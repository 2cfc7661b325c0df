import { readSo } from './__tests__/read-so';
import type { ReadingCase } from './__tests__/reading-cases';
import { shellFrom } from './__tests__/check-cases';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';

/** Does the check speak about the shell of a case? */
function speaks(id: string, { build, rules }: ReadingCase): boolean {
  const check = allChecks.find((one) => one.id === id);
  if (!check) throw new Error(`there is no check ${id}`);
  const house = { ...defaultHouseRules(allChecks), ...rules };
  const { checks, findings } = runChecks(shellFrom(build), { checks: [check], rules: house });
  expect(checks[0]?.outcome.state).not.toBe('could-not-run');
  return findings.length > 0;
}

describe.each(readSo.map((one) => [one.sentence, one] as const))('%s', (_, { check, fires, silent }) => {
  test.each(fires.map((one) => [one.name, one] as const))(`${check} speaks: %s`, (_name, one) => {
    expect(speaks(check, one)).toBe(true);
  });
  test.each(silent.map((one) => [one.name, one] as const))(`${check} is silent: %s`, (_name, one) => {
    expect(speaks(check, one)).toBe(false);
  });
});

test('no sentence is without a case on each side', () => {
  expect(readSo.filter(({ fires, silent }) => fires.length === 0 || silent.length === 0)).toEqual([]);
});

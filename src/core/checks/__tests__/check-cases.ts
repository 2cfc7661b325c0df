import { runPlan, takeBack } from '@/core/plan/run-plan';
import { stepsOfFindings } from '@/core/remedies/steps-of-remedy';
import { probeOf } from '@/core/probe/probe';
import type { WebAnswer } from '@/core/probe/web-answer';
import type { Shell } from '@/core/shell/model';
import { shellRef } from '@/core/refs/refs';
import { parseLocalDate } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import type { CheckRecord } from '@/core/checks/check/check';
import type { Finding } from '@/core/checks/finding/finding';
import { defaultHouseRules, type HouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';

export interface FiringCase {
  readonly name: string;
  readonly build: (c: ShellComposer) => Partial<Shell> | void;
  /** Refs of the subjects of each finding, in order. */
  readonly subjects: readonly (readonly string[])[];
  readonly expect?: (findings: readonly Finding[], shell: Shell) => void;
  readonly rules?: Partial<HouseRules>;
  /** What addresses outside answered. */
  readonly probe?: readonly WebAnswer[];
  /** Said on purpose where a guard holds a remedy of the case back. */
  readonly isBlocked?: true;
}
export interface SilentCase {
  readonly name: string;
  readonly build: (c: ShellComposer) => Partial<Shell> | void;
  readonly rules?: Partial<HouseRules>;
  readonly probe?: readonly WebAnswer[];
}

export const day = (text: string) => parseLocalDate(text)!;
export const spring: Partial<Shell> = {
  term: { title: 'Spring 2027', start: day('2027-01-11'), end: day('2027-05-07') },
  previousTerm: { title: 'Autumn 2025', start: day('2025-08-25'), end: day('2025-12-12') },
  asOf: day('2027-01-04'),
};

export function shellFrom(build: FiringCase['build']): Shell {
  const composer = new ShellComposer({ ref: shellRef('case'), ...spring });
  const more = build(composer);
  return { ...composer.shell(), ...(more ?? {}) };
}

function deepFreeze<T>(value: T): T {
  if (value !== null && typeof value === 'object' && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const inner of Object.values(value)) deepFreeze(inner);
  }
  return value;
}

/**
 * Holds a check against its cases and asks by itself what nobody writes down: the shell is not touched, two runs are
 * equal, every message is provoked, every remedy that the plan can carry out makes its finding go away, and its
 * inverse gives the first shell back exactly.
 */
export function checkCases(
  check: CheckRecord,
  cases: { readonly fires: readonly FiringCase[]; readonly silent: readonly SilentCase[] },
): void {
  const run = (shell: Shell, { rules = {}, probe }: Pick<FiringCase, 'rules' | 'probe'>) => {
    const audit = runChecks(shell, {
      checks: [check],
      rules: { ...defaultHouseRules(allChecks), ...rules },
      probe: probeOf(probe ?? null),
    });
    const outcome = audit.checks[0]!.outcome;
    if (outcome.state === 'could-not-run') throw new Error(outcome.reason);
    return audit.findings;
  };
  const worded = new Set<string>();
  describe(`${check.id} fires`, () => {
    test.each(cases.fires.map((c) => [c.name, c] as const))('%s', (_, one) => {
      const shell = deepFreeze(shellFrom(one.build));
      const findings = run(shell, one);
      expect(findings.map((f) => f.subjects.map((s) => s.ref))).toEqual(one.subjects);
      expect(JSON.stringify(run(shell, one))).toBe(JSON.stringify(findings));
      one.expect?.(findings, shell);
      let isBlocked = false;
      for (const finding of findings) {
        worded.add(finding.message.id);
        expect(finding.evidence.length).toBeGreaterThan(0);
        if (!finding.remedy) continue;
        const result = runPlan(shell, stepsOfFindings(shell, [finding]));
        if (result.results.some((r) => r.outcome === 'blocked')) {
          isBlocked = true;
          continue;
        }
        expect(run(result.after, one).map((f) => f.id)).not.toContain(finding.id);
        expect(result.broken).toEqual([]);
        expect(takeBack(result)).toEqual(shell);
      }
      expect(isBlocked).toBe(one.isBlocked ?? false);
    });
  });
  describe(`${check.id} is silent`, () => {
    test.each(cases.silent.map((c) => [c.name, c] as const))('%s', (_, one) => {
      expect(run(shellFrom(one.build), one).map((f) => f.title)).toEqual([]);
    });
  });
  test(`${check.id}: every message is provoked by some case`, () => {
    expect([...worded].sort()).toEqual(Object.keys(check.messages).sort());
  });
}

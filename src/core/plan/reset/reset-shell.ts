import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import type { StepResult } from '../results';
import type { AnyTarget, Step } from '../step';
import { makeStep } from '../written-step';
import { areasByRef, refsIn, type ResetArea } from '@/core/plan/areas/areas';
import { withStudentWork } from '@/core/plan/areas/student-work';
import { whatGoes, type WhatGoes } from '@/core/plan/areas/what-goes';

/** What is asked of a reset. */
export interface ResetAsk {
  readonly areas: readonly ResetArea[];
  /** Refs of what stays. */
  readonly keep: readonly string[];
}

/** Content and activity go; groups and home pages only where somebody says so. */
export const usualAreas: readonly ResetArea[] = [
  'items',
  'outside',
  'files',
  'events',
  'announcements',
  'grade-setup',
  'banks',
];

/** A reset worked out for a shell as it stands. */
export interface Reset extends WhatGoes {
  readonly ask: ResetAsk;
  /** Refs of what goes and has student work: gone for good. */
  readonly work: readonly string[];
  /** The one step; null where nothing goes. */
  readonly step: Step | null;
}

/**
 * Works a reset out. Its step lets student work go, since whoever carries it out has said how many things have it.
 * Trouble `reset-refused` where something that shall be kept is not in the shell.
 */
export function resetShell(shell: Shell, ask: ResetAsk): Result<Reset> {
  const refs = refsOf(shell);
  const stranger = ask.keep.find((ref) => refs.typeOf(ref) === null);
  if (stranger !== undefined)
    return bad(
      'reset-refused',
      `There is nothing with the ref “${stranger}” in this shell; look for its ref in the audit or the status sheet.`,
    );
  const goes = whatGoes(shell, ask.areas, ask.keep);
  const work = withStudentWork(shell, goes.going);
  if (goes.going.size === 0) return good({ ...goes, ask, work, step: null });
  const step = makeStep(shell, {
    action: 'reset-area',
    targets: ask.areas,
    params: { keep: [...ask.keep], ...(work.length > 0 ? { withStudentWork: work.length } : {}) },
    from: 'hand',
  });
  return step.ok ? good({ ...goes, ask, work, step: step.value }) : step;
}

/** Whether what goes from an area can come back. */
export type Returns = 'returns' | 'returns as new' | 'gone for good';

export interface ResetAreaCount {
  readonly area: ResetArea;
  readonly before: number;
  readonly after: number;
  readonly returns: Returns;
}

/** A host makes anew what is taken back; our own store puts the very thing there again. */
export const comesBack = ({ isLive }: Pick<Shell, 'isLive'>): Returns =>
  isLive === true ? 'returns as new' : 'returns';

/** Something of the named areas that would not go, and why. */
export interface LeftThing {
  readonly ref: string;
  readonly title: string;
  readonly why: string;
}

/** What a reset came to, told from the shell as it is read after it. */
export interface ResetAccount {
  readonly areas: readonly ResetAreaCount[];
  readonly kept: readonly string[];
  readonly neededByKept: readonly string[];
  readonly left: readonly LeftThing[];
}

/** Counts what is left of the named areas, and tells why. */
export function accountOf(
  before: Shell,
  reset: Reset,
  results: readonly StepResult[],
  after: Shell,
): ResetAccount {
  const [was, now] = [refsIn(before), refsIn(after)];
  const areaOf = areasByRef(before);
  const goneForGood = new Set(reset.work.map((ref) => areaOf.get(ref)));
  return {
    areas: reset.ask.areas.map((area) => ({
      area,
      before: was[area].length,
      after: now[area].length,
      returns: goneForGood.has(area) ? 'gone for good' : comesBack(before),
    })),
    kept: reset.kept,
    neededByKept: reset.needed,
    left: leftThings(reset, results, after),
  };
}

function leftThings(reset: Reset, results: readonly StepResult[], after: Shell): LeftThing[] {
  const refs = refsOf(after);
  const reasons = new Map(
    results.flatMap(({ step, outcome, reason }) =>
      outcome === 'done'
        ? []
        : (step.targets as readonly AnyTarget[]).map(
            ({ ref }) => [ref, reason ?? 'it is held back'] as const,
          ),
    ),
  );
  const mayStay = new Set([...reset.kept, ...reset.needed]);
  const inAreas = refsIn(after);
  return reset.ask.areas.flatMap((area) =>
    inAreas[area]
      .filter((ref) => !mayStay.has(ref))
      .map((ref) => ({
        ref,
        title: refs.titleOf(ref),
        why: reasons.get(ref) ?? 'something that stays still needs it',
      })),
  );
}

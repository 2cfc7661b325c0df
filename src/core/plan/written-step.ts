import { cutQuote } from '@/core/text/clip';
import { readAs, sayMisfit } from '@/core/schema/read-as';
import { entryOf } from '@/core/entries';
import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import type { ActionName } from './actions/registry';
import { actionNames } from './actions/registry';
import { actionOf, type AnyTarget, type Step } from './step';

/**
 * A step as plan files, remedies and reports write it: refs, and parameters that are about them. It says what shall be
 * and not what was; a plan file’s `base` names the state that it is for.
 */
export interface WrittenStep {
  readonly action: string;
  readonly targets: readonly string[];
  readonly params: Readonly<Record<string, unknown>>;
  readonly from: string;
}

/** The names by which steps are written: some actions share the name of another. */
export const writtenActions = actionNames.filter((name) => actionOf(name).writtenAs === undefined);

/** The action that a written step means; null where nobody knows it. */
export function actionNamed(written: Pick<WrittenStep, 'action' | 'params'>): ActionName | null {
  const sharing = actionNames.find((name) => {
    const as = actionOf(name).writtenAs;
    return as?.action === written.action && entryOf(written.params, as.param) !== undefined;
  });
  return sharing ?? actionNames.find((name) => name === written.action) ?? null;
}

export const writtenStepSchema = z.strictObject({
  action: z.enum(writtenActions as [ActionName, ...ActionName[]]),
  targets: z.array(z.string()).min(1),
  params: z.record(z.string(), z.unknown()).default({}),
  from: z.string().default('hand'),
});

/** The published form of a plan (docs/schemas). */
export const planSchema = z.strictObject({
  schema: z.literal('currycomb.plan/1'),
  base: z.string(),
  steps: z.array(writtenStepSchema),
  /** Title and place of what the steps name, so that a plan can be used on another shell. */
  names: z.record(z.string(), z.strictObject({ title: z.string(), place: z.array(z.string()) })).optional(),
});
export interface Plan {
  readonly schema: 'currycomb.plan/1';
  readonly base: string;
  readonly steps: readonly WrittenStep[];
}

/**
 * Makes a step of a written one, for a shell as it stands: each target gets what it has now and what it shall have. A
 * target that the shell does not have gets no expectation and is told when the step is tried. Trouble `step-unreadable`
 * where the action is not known, its parameters do not fit, or they are about something that is no target.
 */
export function makeStep(shell: Shell, written: WrittenStep): Result<Step> {
  const name = actionNamed(written);
  if (name === null)
    return bad(
      'step-unreadable',
      `There is no action “${cutQuote(written.action)}”; choose from ${writtenActions.join(', ')}.`,
    );
  const action = actionOf(name);
  const parsed = readAs(action.params, written.params);
  if (!parsed.ok)
    return bad(
      'step-unreadable',
      `The parameters of “${written.action}” do not fit: ${sayMisfit(parsed.misfit)}.`,
    );
  const stranger = strangerIn(action.perTarget, parsed.value, written.targets);
  if (stranger)
    return bad(
      'step-unreadable',
      `The parameter “${stranger.param}” of “${written.action}” is about “${cutQuote(stranger.ref)}”, which is not among its targets; add it to them or take it out.`,
    );
  const wanted = action.expand
    ? action.expand(parsed.value, written.targets, shell)
    : written.targets.map((ref) => ({ ref, sets: action.setsOf(parsed.value, ref, shell) }));
  const unsaid = wanted.find(({ sets }) => sets === null);
  if (unsaid)
    return bad(
      'step-unreadable',
      `The parameters of “${written.action}” say nothing about its target “${cutQuote(unsaid.ref)}”.`,
    );
  const targets = wanted.map(({ ref, sets }): AnyTarget => ({
    ref,
    expects: action.now(shell, ref, sets),
    sets,
  }));
  return good({ action: name, targets: withoutDoubles(targets), from: written.from } as Step);
}

function strangerIn(
  names: readonly string[],
  params: unknown,
  targets: readonly string[],
): { readonly param: string; readonly ref: string } | null {
  const known = new Set(targets);
  for (const param of names) {
    const record = entryOf(params as Record<string, unknown>, param);
    const ref = Object.keys(record ?? {}).find((key) => !known.has(key));
    if (ref !== undefined) return { param, ref };
  }
  return null;
}

const withoutDoubles = (targets: readonly AnyTarget[]): AnyTarget[] => [
  ...new Map(targets.map((target) => [target.ref, target])).values(),
];

/** A step as files and reports write it. */
export function writeStep(step: Step): WrittenStep {
  const action = actionOf(step.action);
  const targets: readonly AnyTarget[] = step.targets;
  return {
    action: action.writtenAs?.action ?? step.action,
    targets: action.writtenTargets?.(targets) ?? targets.map((target) => target.ref),
    params: action.paramsOf(targets) as Record<string, unknown>,
    from: step.from,
  };
}

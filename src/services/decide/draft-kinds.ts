import type { OpenFolder } from '../open-folder';
import { draftRedating } from '../redate/draft-redating';
import { draftReset } from '../reset/draft-reset';
import type { Result } from '@/core/shell/result';
import type { CurrentShell } from '../shells/current-shell';
import type { Drafted } from './draft-plan';
import { draftNewStep, draftOtherStep } from './draft-step';
import { draftPlanFile } from './draft-plan-file';
import { draftWayOut } from './draft-way-out';

type Draft = (folder: OpenFolder, shell: CurrentShell, ask: never) => Result<Drafted<unknown>>;

/** The changes of a plan that must be tried on the shell before they are written. They are worked out on a thread of its own. */
export const drafts = {
  'new-step': draftNewStep,
  'other-step': draftOtherStep,
  'plan-file': draftPlanFile,
  're-date': draftRedating,
  reset: draftReset,
  'way-out': draftWayOut,
} as const satisfies Readonly<Record<string, Draft>>;

export type DraftKind = keyof typeof drafts;
export type DraftAsk<Kind extends DraftKind> = Parameters<(typeof drafts)[Kind]>[2];
/** What is told of a change of a kind. */
export type DraftTold<Kind extends DraftKind> =
  ReturnType<(typeof drafts)[Kind]> extends Result<Drafted<infer Told>> ? Told : never;

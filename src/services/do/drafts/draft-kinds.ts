import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { draftRedating } from './draft-redating';
import { draftReset } from './draft-reset';
import type { Result } from '@/core/shell/result';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import type { Drafted } from '@/services/keep/plan/plan-draft';
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

type TypesOf<Drafts> = {
  readonly [Kind in keyof Drafts]: Drafts[Kind] extends (
    folder: OpenFolder,
    shell: CurrentShell,
    ask: infer Ask,
  ) => Result<Drafted<infer Told>>
    ? { readonly ask: Ask; readonly told: Told }
    : never;
};
declare module '@/services/keep/desks/draft-types' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- all of it is in the type that it extends
  interface DraftTypes extends TypesOf<typeof drafts> {}
}

import type { ResetArea } from '@/core/plan/areas/areas';
import {
  accountOf,
  resetShell,
  type LeftThing,
  type Reset,
  type Returns,
} from '@/core/plan/reset/reset-shell';
import { countChanges } from '@/core/plan/results';
import { runPlan } from '@/core/plan/run-plan';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { DraftPlan } from './draft-plan';
import type { Drafted } from '@/services/keep/plan/plan-draft';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { armingCode } from './arming-code';
import type { ResetWish } from './reset-ask';

export interface NamedThing {
  readonly ref: string;
  readonly title: string;
}

/** What a reset would come to, before it is rehearsed. */
export interface LookedAtReset {
  readonly areas: readonly {
    readonly area: ResetArea;
    readonly now: number;
    readonly after: number;
    readonly returns: Returns;
  }[];
  /** How many things the plan would take away: what its rehearsal and its run count, too. */
  readonly going: number;
  /** What was named and would not go all the same, each with its reason. */
  readonly left: readonly LeftThing[];
  /** What stays since something that is kept needs it. */
  readonly needed: readonly NamedThing[];
  /** What goes and has student work. */
  readonly work: readonly NamedThing[];
}

/** A reset; where it is armed, it is part of the draft. */
export function draftReset(
  folder: OpenFolder,
  current: CurrentShell,
  wish: ResetWish,
): Result<Drafted<LookedAtReset>> {
  const begun = DraftPlan.of(folder, current);
  if (!begun.ok) return begun;
  const plan = begun.value;
  const shell = shellOf(folder.blobs, blobHash.parse(current.version.stateBlob));
  const reset = resetShell(shell, { areas: wish.areas, keep: wish.keep });
  if (!reset.ok) return reset;
  const told = lookAtReset(shell, reset.value);
  if (wish.take === null) return good({ told, draft: plan.draft() });
  const trouble = whyNotArmed(current, reset.value, wish.take);
  if (trouble) return trouble;
  const tried = plan.add({
    action: 'reset-area',
    targets: wish.areas,
    params: { keep: wish.keep, withStudentWork: wish.take.withStudentWork },
    from: 'hand',
  });
  return tried.ok ? good({ told, draft: plan.draft() }) : tried;
}

function whyNotArmed(
  current: CurrentShell,
  { work, step }: Reset,
  take: { readonly code: string; readonly withStudentWork: number },
): ReturnType<typeof bad> | null {
  if (step === null)
    return bad('nothing-goes', 'Nothing would go; choose at least one area that holds something.');
  if (take.code.trim() !== armingCode(current.row))
    return bad(
      'reset-not-armed',
      `Type “${armingCode(current.row)}” to arm the reset; “${take.code}” is another shell.`,
    );
  if (take.withStudentWork === work.length) return null;
  return bad(
    'student-work',
    `${work.length} of the things that go have student work; type this number to let them go for good.`,
  );
}

/** Tries the reset as the plan will, so that the numbers here are those of the rehearsal and the run. */
function lookAtReset(shell: Shell, reset: Reset): LookedAtReset {
  const titles = refsOf(shell);
  const named = (ref: string): NamedThing => ({ ref, title: titles.titleOf(ref) });
  const { results, after } = runPlan(shell, reset.step === null ? [] : [reset.step]);
  const { areas, left } = accountOf(shell, reset, results, after);
  const stays = new Set(left.map(({ ref }) => ref));
  return {
    areas: areas.map(({ area, before, after: rest, returns }) => ({
      area,
      now: before,
      after: rest,
      returns,
    })),
    going: countChanges(results, 'done'),
    left,
    needed: reset.needed.map(named),
    work: reset.work.filter((ref) => !stays.has(ref)).map(named),
  };
}

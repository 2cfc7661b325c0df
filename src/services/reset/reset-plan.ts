import { z } from 'zod';
import { areasByRef, refsIn, resetAreas, type ResetArea } from '@/core/plan/reset/areas';
import { comesBack, resetShell, usualAreas, type Reset, type Returns } from '@/core/plan/reset/reset-shell';
import { refsOf } from '@/core/plan/refs-of-shell';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import { bad, good, type Result } from '@/core/shell/result';
import type { Context, OpenFolder } from '../context';
import { addByHand, type AddedStep } from '../decide/edit-plan';
import type { CurrentShell } from '../shells/current-shell';
import { blobHash, shellOf } from '../shells/kept-state';

/** A reset as the screen asks for it; `take` arms it and puts it into the plan. */
export const resetAskSchema = z.strictObject({
  areas: z.array(z.enum(resetAreas)).max(resetAreas.length),
  keep: z.array(z.string()).max(10_000).default([]),
  take: z
    .strictObject({ code: z.string(), withStudentWork: z.int().min(0) })
    .nullable()
    .default(null),
});
export type ResetAsked = z.input<typeof resetAskSchema>;

export interface NamedThing {
  readonly ref: string;
  readonly title: string;
}

/** What a reset would come to, before it is rehearsed. */
export interface ResetPreview {
  readonly areas: readonly {
    readonly area: ResetArea;
    readonly now: number;
    readonly after: number;
    readonly returns: Returns;
  }[];
  readonly going: number;
  /** What stays since something that is kept needs it. */
  readonly needed: readonly NamedThing[];
  /** What goes and has student work. */
  readonly work: readonly NamedThing[];
  /** What went into the plan; null where it was only looked at. */
  readonly added: AddedStep | null;
}

/** Something that can be kept. */
export interface KeepChoice extends NamedThing {
  readonly area: ResetArea;
  readonly place: string;
}

/** What the screen opens with. */
export interface ResetStart {
  readonly id: string;
  /** What arms the reset: the shell’s code, or its title where it has no code. */
  readonly code: string;
  readonly isCombed: boolean;
  readonly planSize: number;
  readonly usual: readonly ResetArea[];
  readonly counts: readonly { readonly area: ResetArea; readonly now: number }[];
  readonly choices: readonly KeepChoice[];
}

const currentShell = (folder: OpenFolder, { version }: CurrentShell): Shell =>
  shellOf(folder.blobs, blobHash.parse(version.stateBlob));
const codeOf = ({ row }: CurrentShell): string => row.code || row.title;

export function resetStart(folder: OpenFolder, current: CurrentShell): ResetStart {
  const shell = currentShell(folder, current);
  const refs = refsIn(shell);
  const outline = outlineOf(shell);
  const titles = refsOf(shell);
  return {
    id: current.row.id,
    code: codeOf(current),
    isCombed: current.audit !== null,
    planSize: current.plan.size,
    usual: usualAreas,
    counts: resetAreas.map((area) => ({ area, now: refs[area].length })),
    choices: [...areasByRef(shell)].map(([ref, area]) => {
      const item = outline.byRef.get(ref as ItemRef);
      return { ref, area, title: titles.titleOf(ref), place: item ? outline.path(item).join(' › ') : '' };
    }),
  };
}

/** Works a reset out, and puts it into the plan where it is armed. */
export function resetInPlan(
  context: Context,
  current: CurrentShell,
  asked: z.output<typeof resetAskSchema>,
): Result<ResetPreview> {
  const shell = currentShell(context, current);
  const reset = resetShell(shell, { areas: asked.areas, keep: asked.keep });
  if (!reset.ok) return reset;
  const preview = previewOf(shell, reset.value);
  if (asked.take === null) return good(preview);
  const trouble = whyNotArmed(current, reset.value, asked.take);
  if (trouble) return trouble;
  const added = addByHand(context, current, {
    action: 'reset-area',
    targets: asked.areas,
    params: { keep: asked.keep, withStudentWork: asked.take.withStudentWork },
    from: 'hand',
  });
  return added.ok ? good({ ...preview, added: added.value }) : added;
}

function whyNotArmed(
  current: CurrentShell,
  { work, step }: Reset,
  take: { readonly code: string; readonly withStudentWork: number },
): ReturnType<typeof bad> | null {
  if (step === null)
    return bad('nothing-goes', 'Nothing would go; choose at least one area that holds something.');
  if (take.code.trim() !== codeOf(current))
    return bad(
      'reset-not-armed',
      `Type “${codeOf(current)}” to arm the reset; “${take.code}” is another shell.`,
    );
  if (take.withStudentWork === work.length) return null;
  return bad(
    'student-work',
    `${work.length} of the things that go have student work; type this number to let them go for good.`,
  );
}

function previewOf(shell: Shell, { ask, going, needed, work }: Reset): ResetPreview {
  const refs = refsIn(shell);
  const titles = refsOf(shell);
  const named = (ref: string): NamedThing => ({ ref, title: titles.titleOf(ref) });
  const goneForGood = new Set(work.map((ref) => going.get(ref)));
  return {
    areas: ask.areas.map((area) => ({
      area,
      now: refs[area].length,
      after: refs[area].filter((ref) => !going.has(ref)).length,
      returns: goneForGood.has(area) ? 'gone for good' : comesBack(shell),
    })),
    going: going.size,
    needed: needed.map(named),
    work: work.map(named),
    added: null,
  };
}

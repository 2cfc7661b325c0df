import { areasByRef, refsIn, resetAreas, type ResetArea } from '@/core/plan/areas/areas';
import { usualAreas } from '@/core/plan/reset/reset-shell';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { armingCode } from '@/services/do/drafts/arming-code';
import type { NamedThing } from '@/services/do/drafts/draft-reset';

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

export function resetStart(folder: OpenFolder, current: CurrentShell): ResetStart {
  const shell = shellOf(folder.blobs, blobHash.parse(current.version.stateBlob));
  const refs = refsIn(shell);
  const outline = outlineOf(shell);
  const titles = refsOf(shell);
  return {
    id: current.row.id,
    code: armingCode(current.row),
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

import { countThings, type ShellCounts } from '@/core/inventory/inventory';
import type { DrawnFinding } from './finding';

export interface Smoothness {
  /** 0 to 100, rounded down, so that 100 means all. */
  readonly percent: number;
  readonly smooth: number;
  readonly total: number;
}

/**
 * The share of everything in the shell with no open finding. What a finding proposes to keep lies smooth.
 * `alsoRough`: things that only findings are about which are not among these.
 */
export function smoothnessOf(
  counts: ShellCounts,
  open: readonly Pick<DrawnFinding, 'subjects' | 'keep'>[],
  alsoRough = 0,
): Smoothness {
  const total = countThings(counts);
  const rough = new Set<string>();
  for (const finding of open)
    for (const subject of finding.subjects)
      if (subject.type !== 'shell' && subject.type !== 'group' && subject.ref !== finding.keep)
        rough.add(`${subject.type} ${subject.ref}`);
  const smooth = Math.max(0, total - rough.size - alsoRough);
  return { percent: total === 0 ? 100 : Math.floor((100 * smooth) / total), smooth, total };
}

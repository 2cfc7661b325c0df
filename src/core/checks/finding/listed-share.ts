import type { Finding } from './finding';
import { smoothnessOf } from './smoothness';
import type { ShellCounts } from '@/core/inventory/inventory';

/**
 * A list of a hundred thousand findings of one check helps nobody, and a page of them keeps everybody waiting. So many
 * of a check are listed; the rest are counted, and come up when these are settled and the shell is combed again.
 */
export const mostListedOfCheck = 10_000;

/** What was found and is not listed. */
export interface Unlisted {
  readonly findings: number;
  /** Things that only such findings are about. */
  readonly things: number;
}
export const nothingUnlisted: Unlisted = { findings: 0, things: 0 };

/** The findings that are listed, in their order, and how many are not. */
export function listedShare(
  findings: readonly Finding[],
  counts: ShellCounts,
): { readonly listed: readonly Finding[]; readonly unlisted: Unlisted } {
  const ofCheck = new Map<string, number>();
  const listed = findings.filter(({ check }) => {
    const before = ofCheck.get(check) ?? 0;
    ofCheck.set(check, before + 1);
    return before < mostListedOfCheck;
  });
  if (listed.length === findings.length) return { listed, unlisted: nothingUnlisted };
  const things = smoothnessOf(counts, listed).smooth - smoothnessOf(counts, findings).smooth;
  return { listed, unlisted: { findings: findings.length - listed.length, things } };
}

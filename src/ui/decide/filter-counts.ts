'use client';
import { useMemo } from 'react';
import type { Family, ListedFinding, Urgency } from '@/core/checks/finding/finding';
import { listStates, type ListState } from './filter';
import { filtered } from './list-model';
import type { WorkbenchState } from './use-workbench';

/** How many findings each chip of the filter would show beside all the others. */
export interface FilterCounts {
  readonly byState: ReadonlyMap<ListState, number>;
  readonly byUrgency: ReadonlyMap<Urgency, number>;
  readonly byFamily: ReadonlyMap<Family, number>;
}

/** Counts the findings behind each chip; a batch is of one list, so the chips of the lists let go of it. */
export function useFilterCounts({ filter, lists, factsOf }: WorkbenchState): FilterCounts {
  return useMemo(() => {
    const { urgency, family } = filter;
    const inList = (state: ListState) => filtered(lists, { ...filter, batch: null, state }, factsOf).length;
    const here = filtered(lists, { ...filter, urgency: null, family: null }, factsOf);
    const ofFamily = here.filter((finding) => family === null || finding.family === family);
    const ofUrgency = here.filter((finding) => urgency === null || finding.urgency === urgency);
    return {
      byState: new Map(listStates.map((state) => [state, inList(state)])),
      byUrgency: countsOf(ofFamily.map((finding) => finding.urgency)),
      byFamily: countsOf(ofUrgency.map((finding) => finding.family)),
    };
  }, [lists, filter, factsOf]);
}

function countsOf<K extends ListedFinding['urgency' | 'family']>(
  values: readonly K[],
): ReadonlyMap<K, number> {
  const counts = new Map<K, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return counts;
}

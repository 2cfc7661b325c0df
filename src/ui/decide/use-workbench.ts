'use client';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { partsOf } from '@/core/checks/finding/parts';
import type { DecideView } from '@/services/show/decide/decide-view';
import { useDecisions, type Decisions } from '../comb/use-decisions';
import { decideOnChosen, type DecideOnChosen } from './decide-on-chosen';
import { listStates, readFilter, writeFilter, type Filter, type ListState } from './filter';
import { factsOfFindings, type FactsOf } from './finding-facts';
import { listRows, type Lists, type Row } from './list-model';
import { useFindingChoice, type FindingChoice } from './use-finding-choice';

export interface WorkbenchState extends FindingChoice, DecideOnChosen {
  readonly filter: Filter;
  readonly lists: Lists;
  readonly factsOf: FactsOf;
  readonly rows: readonly Row[];
  readonly decisions: Decisions;
  setFilter(change: Partial<Filter>): void;
}

/** What the workbench knows and does: the lists by decision, the one looked at, the chosen ones, the decisions. */
export function useWorkbench(view: DecideView): WorkbenchState {
  const query = useSearchParams();
  const decisions = useDecisions(view);
  const { stateOf } = decisions;
  const lists = useMemo(() => listsOf(view, stateOf), [view, stateOf]);
  const asked = query.get('finding');
  // The address follows what is typed, later than the next letter may come.
  const [find, setFind] = useState(query.get('find') ?? '');
  const filter = useMemo(
    () => ({ ...showing(readFilter(new URLSearchParams(query.toString())), lists, asked), find }),
    [query, lists, asked, find],
  );
  const factsOf = useMemo(() => factsOfView(view), [view]);
  const rows = useMemo(
    () => listRows(lists, filter, view.batches, factsOf),
    [lists, filter, view.batches, factsOf],
  );
  const choice = useFindingChoice(rows, asked);
  const setFilter = (change: Partial<Filter>) => {
    choice.chooseNone();
    if (change.find !== undefined) setFind(change.find);
    // The findings are all here: another filter asks nothing of the server.
    const address = `/shells/${view.id}/decide${writeFilter({ ...filter, ...change })}`;
    window.history.replaceState(null, '', address);
  };
  return {
    ...choice,
    ...decideOnChosen(choice, decisions),
    filter,
    lists,
    factsOf,
    rows,
    decisions,
    setFilter,
  };
}

function factsOfView(view: DecideView): FactsOf {
  const titles = new Map(view.checks.map((c) => [c.id, c.title]));
  const kinds = new Map(view.sketch.items.map(({ ref, kind }) => [ref, kind]));
  return factsOfFindings(view.batches, kinds, (check) => titles.get(check) ?? check);
}

/** The findings by what was decided about them. */
function listsOf(view: DecideView, stateOf: Decisions['stateOf']): WorkbenchState['lists'] {
  const lists: Record<ListState, ListedFinding[]> = {
    open: [],
    parts: [],
    asked: [],
    later: [],
    planned: [],
    'left-be': [],
  };
  const all = [...view.findings, ...view.leftBe];
  const parts = partsOf(all.filter((finding) => stateOf(finding.id) !== 'left-be'));
  for (const finding of all) {
    const state = stateOf(finding.id);
    lists[state === 'open' && parts.has(finding) ? 'parts' : state].push(finding);
  }
  return lists;
}

/** A filter that shows the finding that was asked for, wherever it stands. */
function showing(filter: Filter, lists: WorkbenchState['lists'], asked: string | null): Filter {
  if (asked === null) return filter;
  const state = listStates.find((state) => lists[state].some((finding) => finding.id === asked));
  return state === undefined ? filter : { ...filter, state };
}

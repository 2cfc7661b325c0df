'use client';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { ListedFinding } from '@/core/checks/finding';
import { partsOf } from '@/core/checks/parts';
import type { DecideView } from '@/services/decide/decide-view';
import { useDecisions, type Decisions } from '../comb/use-decisions';
import { toggled } from '../marks/toggled';
import { divisibleTargets } from './remedies';
import { listStates, readFilter, writeFilter, type Filter, type ListState } from './filter';
import { factsOfFindings, type FactsOf } from './finding-facts';
import { listRows, type Lists, type Row } from './list-model';

export interface WorkbenchState {
  readonly filter: Filter;
  readonly lists: Lists;
  readonly factsOf: FactsOf;
  readonly rows: readonly Row[];
  readonly chosen: ReadonlySet<string>;
  /** The finding that is looked at. */
  readonly current: ListedFinding | null;
  /** What a decision is about: the chosen ones, else the one that is looked at. */
  readonly about: readonly ListedFinding[];
  readonly decisions: Decisions;
  /** Things of the current finding that its remedy shall leave alone. */
  readonly spared: ReadonlySet<string>;
  spare(refs: readonly string[]): void;
  setFilter(change: Partial<Filter>): void;
  look(id: string): void;
  toggle(ids: readonly string[]): void;
  chooseAll(): void;
  chooseNone(): void;
  /** Goes on by so many findings; chooses the way where it is extended. */
  move(by: number, extend: boolean): void;
  /** The findings of the group of the one that is looked at. */
  groupOfCurrent(): readonly string[];
  accept(): void;
  /** Leaves what it is about be, with a reason where one was given. */
  leaveBe(reason?: string): void;
  ask(): void;
  later(): void;
  reopen(): void;
  change(other: number): void;
  /** Takes the same other remedy for those of the chosen that offer it. */
  changeAll(action: string): void;
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
  const titles = useMemo(() => new Map(view.checks.map((c) => [c.id, c.title])), [view.checks]);
  const factsOf = useMemo(() => {
    const kinds = new Map(view.sketch.items.map(({ ref, kind }) => [ref, kind]));
    return factsOfFindings(view.batches, kinds, (check) => titles.get(check) ?? check);
  }, [view.batches, view.sketch, titles]);
  const rows = useMemo(
    () => listRows(lists, filter, view.batches, factsOf),
    [lists, filter, view.batches, factsOf],
  );
  const shown = useMemo(() => rows.flatMap((r) => (r.type === 'finding' ? [r.finding] : [])), [rows]);
  const [picked, setPicked] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const wanted = picked ?? asked;
  const current = shown.find((f) => f.id === wanted) ?? shown[0] ?? null;
  const [sparing, setSparing] = useState<{ finding: string; refs: ReadonlySet<string> } | null>(null);
  const spared = sparing !== null && sparing.finding === current?.id ? sparing.refs : nothingSpared;
  const about = useMemo(() => {
    if (chosen.size) return shown.filter((f) => chosen.has(f.id));
    return current ? [current] : [];
  }, [chosen, shown, current]);

  /** After a decision the next finding comes up; where the server says no, the decided ones come back. */
  const goOn = () => {
    const gone = new Set(about.map((f) => f.id));
    setPicked(nextOf(shown, current, gone)?.id ?? null);
    setChosen(new Set());
  };
  const takable = about.filter((f) => f.remedy !== null).map((f) => f.id);
  const ids = about.map((f) => f.id);
  return {
    filter,
    lists,
    factsOf,
    rows,
    chosen,
    current,
    about,
    decisions,
    setFilter: (change) => {
      setChosen(new Set());
      if (change.find !== undefined) setFind(change.find);
      // The findings are all here: another filter asks nothing of the server.
      const address = `/shells/${view.id}/decide${writeFilter({ ...filter, ...change })}`;
      window.history.replaceState(null, '', address);
    },
    look: setPicked,
    toggle: (more) => setChosen((now) => toggled(now, more)),
    chooseAll: () => setChosen(new Set(shown.map((f) => f.id))),
    chooseNone: () => setChosen(new Set()),
    move: (by, extend) => {
      const at = current ? shown.indexOf(current) : -1;
      const next = shown[Math.max(0, Math.min(shown.length - 1, at + by))];
      if (!next) return;
      setPicked(next.id);
      const way = shown.slice(Math.min(at, shown.indexOf(next)), Math.max(at, shown.indexOf(next)) + 1);
      if (extend) setChosen((now) => new Set([...now, ...way.map((f) => f.id)]));
    },
    groupOfCurrent: () => {
      const group = rows.find((r) => r.type === 'group' && r.findings.some((f) => f.id === current?.id));
      return group?.type === 'group' ? group.findings.map((f) => f.id) : [];
    },
    spared,
    spare: (refs) => {
      if (current) setSparing({ finding: current.id, refs: toggled(spared, refs) });
    },
    accept: () => {
      if (!takable.length) return;
      const only = current && chosen.size === 0 && spared.size > 0 ? notSpared(current, spared) : null;
      if (only?.length === 0) return;
      if (current && only) decisions.acceptSome(current.id, only);
      else decisions.accept(takable);
      goOn();
    },
    leaveBe: (reason) => {
      if (!ids.length) return;
      decisions.leaveBe(ids, reason);
      goOn();
    },
    ask: () => {
      if (!ids.length) return;
      decisions.ask(ids);
      goOn();
    },
    later: () => {
      if (!ids.length) return;
      decisions.later(ids);
      goOn();
    },
    reopen: () => {
      if (!ids.length) return;
      decisions.reopen(ids);
      goOn();
    },
    changeAll: (action) => {
      const offering = about.filter(({ offers }) => offers?.includes(action)).map((f) => f.id);
      if (!offering.length) return;
      decisions.changeAll(offering, action);
      goOn();
    },
    change: (other) => {
      if (!current) return;
      decisions.change(current.id, other);
      goOn();
    },
  };
}

const nothingSpared: ReadonlySet<string> = new Set();
const notSpared = (finding: ListedFinding, spared: ReadonlySet<string>): readonly string[] =>
  divisibleTargets(finding).filter((ref) => !spared.has(ref));

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

/** The finding behind the current one that is still there, else the one before it. */
function nextOf(
  shown: readonly ListedFinding[],
  current: ListedFinding | null,
  gone: ReadonlySet<string>,
): ListedFinding | undefined {
  const at = current ? shown.indexOf(current) : -1;
  const behind = shown.slice(at + 1).find((f) => !gone.has(f.id));
  return behind ?? shown.slice(0, Math.max(0, at)).findLast((f) => !gone.has(f.id));
}

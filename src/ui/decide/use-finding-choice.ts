import { useMemo, useState } from 'react';
import type { ListedFinding } from '@/core/checks/finding/finding';
import { toggled } from '../marks/toggled';
import type { Row } from './list-model';

/** Which finding of the list is looked at, which ones are chosen, and what of it shall be left alone. */
export interface FindingChoice {
  readonly chosen: ReadonlySet<string>;
  /** The finding that is looked at. */
  readonly current: ListedFinding | null;
  /** What a decision is about: the chosen ones, else the one that is looked at. */
  readonly about: readonly ListedFinding[];
  /** Things of the current finding that its remedy shall leave alone. */
  readonly spared: ReadonlySet<string>;
  spare(refs: readonly string[]): void;
  look(id: string): void;
  toggle(ids: readonly string[]): void;
  chooseAll(): void;
  chooseNone(): void;
  /** Goes on by so many findings; chooses the way where it is extended. */
  move(by: number, extend: boolean): void;
  /** The findings of the group of the one that is looked at. */
  groupOfCurrent(): readonly string[];
  /** After a decision the next finding comes up; where the server says no, the decided ones come back. */
  goOn(): void;
}

/** `asked` is the finding that the address names. */
export function useFindingChoice(rows: readonly Row[], asked: string | null): FindingChoice {
  const shown = useMemo(() => rows.flatMap((r) => (r.type === 'finding' ? [r.finding] : [])), [rows]);
  const [picked, setPicked] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [sparing, setSparing] = useState<{ finding: string; refs: ReadonlySet<string> } | null>(null);
  const wanted = picked ?? asked;
  const current = shown.find((f) => f.id === wanted) ?? shown[0] ?? null;
  const spared = sparing !== null && sparing.finding === current?.id ? sparing.refs : nothingSpared;
  const about = useMemo(() => {
    if (chosen.size) return shown.filter((f) => chosen.has(f.id));
    return current ? [current] : [];
  }, [chosen, shown, current]);
  const move = (by: number, extend: boolean) => {
    const at = current ? shown.indexOf(current) : -1;
    const to = Math.max(0, Math.min(shown.length - 1, at + by));
    const next = shown[to];
    if (!next) return;
    setPicked(next.id);
    const way = shown.slice(Math.min(at, to), Math.max(at, to) + 1);
    if (extend) setChosen((now) => new Set([...now, ...way.map((f) => f.id)]));
  };
  return {
    chosen,
    current,
    about,
    spared,
    spare: (refs) => {
      if (current) setSparing({ finding: current.id, refs: toggled(spared, refs) });
    },
    look: setPicked,
    toggle: (more) => setChosen((now) => toggled(now, more)),
    chooseAll: () => setChosen(new Set(shown.map((f) => f.id))),
    chooseNone: () => setChosen(new Set()),
    move,
    groupOfCurrent: () => {
      const group = rows.find((r) => r.type === 'group' && r.findings.some((f) => f.id === current?.id));
      return group?.type === 'group' ? group.findings.map((f) => f.id) : [];
    },
    goOn: () => {
      const gone = new Set(about.map((f) => f.id));
      setPicked(nextOf(shown, current, gone)?.id ?? null);
      setChosen(new Set());
    },
  };
}

const nothingSpared: ReadonlySet<string> = new Set();

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

'use client';
import { useCallback, useState } from 'react';

export interface Choice {
  readonly chosen: ReadonlySet<string>;
  /** The row that the keys are at, by its place among those that are shown. */
  readonly at: number;
  /** Chooses one, or lets it go; with `range` all from the last one on. */
  toggle(place: number, range: boolean): void;
  /** Goes on by so many rows; chooses the way where it is extended. */
  move(by: number, extend: boolean): void;
  /** Every row that is shown, however many; none where all were chosen. */
  toggleAll(): void;
  clear(): void;
}

/** Choosing among rows: one, a range, all that the filter shows. What the filter hides is not chosen. */
export function useChoice(keys: readonly string[]): Choice {
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const [place, setPlace] = useState(0);
  const at = Math.max(0, Math.min(place, keys.length - 1));
  const shown = new Set(keys);
  const chosen = new Set([...kept].filter((key) => shown.has(key)));
  const between = (from: number, to: number) => keys.slice(Math.min(from, to), Math.max(from, to) + 1);
  const isWhole = keys.length > 0 && chosen.size === keys.length;
  return {
    chosen,
    at,
    toggle: (to, range) => {
      const key = keys[to];
      if (key === undefined) return;
      const next = new Set(chosen);
      if (range) for (const one of between(at, to)) next.add(one);
      else if (!next.delete(key)) next.add(key);
      setKept(next);
      setPlace(to);
    },
    move: (by, extend) => {
      const to = Math.max(0, Math.min(keys.length - 1, at + by));
      if (extend) setKept(new Set([...chosen, ...between(at, to)]));
      setPlace(to);
    },
    toggleAll: () => setKept(new Set(isWhole ? [] : keys)),
    clear: useCallback(() => setKept(new Set()), []),
  };
}

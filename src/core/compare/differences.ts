import { diffWords } from 'diff';

/** What is compared of an item. */
export interface Compared {
  readonly text: string;
  /** Where its links and pictures lead, as paths in the package or web addresses. */
  readonly links: readonly string[];
  readonly points: number | null;
  readonly opens: string | null;
  readonly closes: string | null;
  readonly due: string | null;
}

/** How an item differs from the one that it is held against; null and empty where it does not. */
export interface Differences {
  /** Words that only the one or only the other has. */
  readonly words: { readonly missing: number; readonly added: number };
  readonly links: { readonly missing: readonly string[]; readonly added: readonly string[] };
  readonly points: Change<number> | null;
  readonly dates: readonly ({ readonly what: 'opens' | 'closes' | 'due' } & Change<string>)[];
}
export interface Change<T> {
  readonly from: T | null;
  readonly to: T | null;
}

/** Holds an item against another: words, links and files, points and dates. */
export function differencesFrom(kept: Compared, other: Compared): Differences {
  const words = { missing: 0, added: 0 };
  for (const part of diffWords(kept.text, other.text)) {
    const count = part.value.split(/\s+/).filter(Boolean).length;
    if (part.removed) words.missing += count;
    if (part.added) words.added += count;
  }
  const dates = (['opens', 'closes', 'due'] as const)
    .filter((what) => kept[what] !== other[what])
    .map((what) => ({ what, from: kept[what], to: other[what] }));
  return {
    words,
    links: { missing: without(kept.links, other.links), added: without(other.links, kept.links) },
    points: kept.points === other.points ? null : { from: kept.points, to: other.points },
    dates,
  };
}

const without = (list: readonly string[], others: readonly string[]): string[] => {
  const known = new Set(others);
  return [...new Set(list)].filter((one) => !known.has(one));
};

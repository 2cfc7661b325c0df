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
  const dates = (['opens', 'closes', 'due'] as const)
    .filter((what) => kept[what] !== other[what])
    .map((what) => ({ what, from: kept[what], to: other[what] }));
  return {
    words: wordsBetween(kept.text, other.text),
    links: { missing: without(kept.links, other.links), added: without(other.links, kept.links) },
    points: kept.points === other.points ? null : { from: kept.points, to: other.points },
    dates,
  };
}

/** Texts that differ in more words than this have little in common; where they do so is not worked out. */
export const mostDifferingWords = 1_500;

function wordsBetween(kept: string, other: string): Differences['words'] {
  const words = { missing: 0, added: 0 };
  const parts = diffWords(kept, other, { maxEditLength: mostDifferingWords });
  if (!parts) return { missing: wordsNotIn(kept, other), added: wordsNotIn(other, kept) };
  for (const part of parts) {
    const count = wordsOf(part.value).length;
    if (part.removed) words.missing += count;
    if (part.added) words.added += count;
  }
  return words;
}

const wordsOf = (text: string): readonly string[] => text.split(/\s+/).filter(Boolean);

/** How many words of a text another one does not have, each as often as it stands there; their order is left aside. */
function wordsNotIn(text: string, other: string): number {
  const left = new Map<string, number>();
  for (const word of wordsOf(other)) left.set(word, (left.get(word) ?? 0) + 1);
  let missing = 0;
  for (const word of wordsOf(text)) {
    const known = left.get(word) ?? 0;
    if (known === 0) missing += 1;
    else left.set(word, known - 1);
  }
  return missing;
}

const without = (list: readonly string[], others: readonly string[]): string[] => {
  const known = new Set(others);
  return [...new Set(list)].filter((one) => !known.has(one));
};

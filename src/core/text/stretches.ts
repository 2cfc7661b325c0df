import { elementAt } from '@/core/sure';

/** A part of a text by its offsets, end excluded. */
export interface Stretch {
  readonly start: number;
  readonly end: number;
}

/** Stretches sorted and joined where they touch: what `liesWithin` searches. */
export function joinStretches(stretches: readonly Stretch[]): readonly Stretch[] {
  const joined: { start: number; end: number }[] = [];
  for (const { start, end } of [...stretches].sort((a, b) => a.start - b.start)) {
    const last = joined.at(-1);
    if (last && start <= last.end) last.end = Math.max(last.end, end);
    else joined.push({ start, end });
  }
  return joined;
}

/** Does a place lie wholly within one of some joined stretches? Searched by halves, since a text may have very many. */
export function liesWithin(joined: readonly Stretch[], start: number, end: number): boolean {
  let low = 0;
  let high = joined.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (elementAt(joined, middle).start <= start) low = middle + 1;
    else high = middle;
  }
  const at = joined[low - 1];
  return at !== undefined && end <= at.end;
}

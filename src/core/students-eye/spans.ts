import type { LocalDateTime } from '@/core/dates/local-date';

/** A time between two moments, the first included and the second not; null is without beginning or end. */
export interface Span {
  readonly from: LocalDateTime | null;
  readonly until: LocalDateTime | null;
}
/** Times that do not touch each other, in order. */
export type Spans = readonly Span[];

export const always: Spans = [{ from: null, until: null }];
export const never: Spans = [];

/** The time between two moments; none where it would end before it begins. */
export const between = (from: LocalDateTime | null, until: LocalDateTime | null): Spans =>
  from !== null && until !== null && until <= from ? never : [{ from, until }];

export const isIn = (spans: Spans, moment: LocalDateTime): boolean =>
  spans.some(({ from, until }) => (from === null || from <= moment) && (until === null || moment < until));

const laterStart = (a: LocalDateTime | null, b: LocalDateTime | null) => {
  if (a === null) return b;
  return b === null || a > b ? a : b;
};
const earlierEnd = (a: LocalDateTime | null, b: LocalDateTime | null) => {
  if (a === null) return b;
  return b === null || a < b ? a : b;
};

/** What two lists of times have in common. */
export function both(a: Spans, b: Spans): Spans {
  return joined(
    a.flatMap((one) =>
      b.flatMap((other) => between(laterStart(one.from, other.from), earlierEnd(one.until, other.until))),
    ),
  );
}

/** All the times of both. */
export const either = (a: Spans, b: Spans): Spans => joined([...a, ...b]);

/** The times that are in none of these. */
export function outside(spans: Spans): Spans {
  const [first] = spans;
  if (!first) return always;
  const before = first.from === null ? never : [{ from: null, until: first.from }];
  const behind = spans.flatMap(({ until }, n): Spans => {
    if (until === null) return never;
    return [{ from: until, until: spans[n + 1]?.from ?? null }];
  });
  return [...before, ...behind];
}

/** The times of one that are not the other’s. */
export const without = (a: Spans, b: Spans): Spans => both(a, outside(b));

export const areSame = (a: Spans, b: Spans): boolean =>
  a.length === b.length && a.every(({ from, until }, n) => from === b[n]?.from && until === b[n]?.until);

/** Times in order, those that touch made one. */
function joined(spans: readonly Span[]): Spans {
  const ordered = [...spans].sort((a, b) => compareStarts(a.from, b.from));
  const list: Span[] = [];
  for (const span of ordered) {
    const last = list.at(-1);
    const touches = last && (last.until === null || span.from === null || span.from <= last.until);
    if (!last || !touches) {
      list.push(span);
      continue;
    }
    const isLonger = last.until !== null && (span.until === null || span.until > last.until);
    if (isLonger) list[list.length - 1] = { from: last.from, until: span.until };
  }
  return list;
}

function compareStarts(a: LocalDateTime | null, b: LocalDateTime | null): number {
  if (a === b) return 0;
  if (a === null) return -1;
  return b === null || a > b ? 1 : -1;
}

import type { Remedy, RemedyKind, RemedyParams } from '@/core/checks/finding/finding';

/** One of several that are alike stays: the others are deleted, and what leads to them leads to it instead. */
export const keepOne = (kept: string, others: readonly string[], kind: RemedyKind): Remedy => ({
  action: 'delete',
  targets: others,
  params: { relink: Object.fromEntries(others.map((ref) => [ref, kept])) },
  kind,
});

type NewDates = NonNullable<RemedyParams['dates']>[string];

/** Other dates for one item or event. Which day is right, a person decides. */
export const reDate = (ref: string, dates: NewDates): Remedy => ({
  action: 're-date',
  targets: [ref],
  params: { dates: { [ref]: dates } },
  kind: 'judgement',
});

import type { IncomingType } from '@/core/add/incoming';

export const changeKinds = ['gone', 'added', 'changed', 're-dated', 'moved', 'reordered'] as const;
/** What became of a thing on the way from the other shell to this one. One thing may have changed in several ways. */
export type ChangeKind = (typeof changeKinds)[number];

/** How a kind of change is said to people. */
export const changeTitles: Readonly<Record<ChangeKind, string>> = {
  gone: 'Missing here',
  added: 'Only here',
  changed: 'Says something else',
  're-dated': 'Other dates',
  moved: 'Stands elsewhere',
  reordered: 'In another order',
};

export interface Change {
  readonly kind: ChangeKind;
  readonly type: IncomingType;
  /** In this shell; of what is missing here, in the other. */
  readonly ref: string;
  /** Its counterpart in the other shell; null for what is only here, and for what is missing. */
  readonly other: string | null;
  readonly title: string;
  /** Titles of the modules around it. */
  readonly path: readonly string[];
  /** What differs, each in one clause. */
  readonly says: readonly string[];
  /** By how many days all its dates moved; null where that is not one number. */
  readonly days: number | null;
}

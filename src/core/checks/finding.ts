import type { SubjectType } from '@/core/shell/refs';

export const families = ['duplicate', 'outdated', 'visibility', 'orphan', 'calendar', 'structure', 'readiness'] as const;
export type Family = (typeof families)[number];
export const familyTitles: Readonly<Record<Family, string>> = {
  duplicate: 'Duplicates',
  outdated: 'Outdated',
  visibility: 'Visibility',
  orphan: 'Orphans',
  calendar: 'Calendar',
  structure: 'Structure',
  readiness: 'Readiness',
};

export const urgencies = ['fix-first', 'look-at', 'tidy'] as const;
export type Urgency = (typeof urgencies)[number];
export const urgencyTitles: Readonly<Record<Urgency, string>> = {
  'fix-first': 'Fix first',
  'look-at': 'Look at',
  tidy: 'Tidy',
};

/** `family.name`, for example `duplicate.same-file`. */
export type CheckId = `${Family}.${string}`;

export interface Subject {
  readonly type: SubjectType;
  readonly ref: string;
  readonly title: string;
  /** Where it stands, outermost first. */
  readonly path: readonly string[];
}

export interface Evidence {
  readonly label: string;
  readonly value: string;
  /** A ref or path that the value is about. */
  readonly where?: string;
}

export type RemedyAction = 'delete' | 'hide' | 'show' | 'move' | 'relink' | 're-date';
export type RemedyKind = 'safe' | 'judgement';

export interface RemedyParams {
  /** For a deletion: where links to what goes shall lead, ref to ref. */
  readonly relink?: Readonly<Record<string, string>>;
  /** For re-dating: the new dates by item. */
  readonly dates?: Readonly<Record<string, { opens?: string; closes?: string; due?: string }>>;
}

export interface Remedy {
  readonly action: RemedyAction;
  readonly targets: readonly string[];
  readonly params: RemedyParams;
  readonly kind: RemedyKind;
}

/** One result of a check, in words: plain JSON, the same for interface, command line and reports. */
export interface Finding {
  /** Fingerprint of the check and its subjects: stable from one audit to the next. */
  readonly id: string;
  readonly check: CheckId;
  readonly family: Family;
  readonly urgency: Urgency;
  readonly confidence: number;
  readonly title: string;
  readonly subjects: readonly Subject[];
  readonly keep: string | null;
  readonly evidence: readonly Evidence[];
  readonly remedy: Remedy | null;
  readonly coveredBy: string | null;
  /** Findings of one check with the same key are decided together. */
  readonly batch: string;
  /** Fingerprint of what the subjects say rather than where they stand: a Leave be lives on by it. */
  readonly substance: string;
}

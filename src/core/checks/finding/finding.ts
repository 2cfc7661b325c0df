import type { ActionName } from '@/core/plan/actions/registry';
import type { SubjectType } from '@/core/refs/refs';

export const families = [
  'duplicate',
  'outdated',
  'visibility',
  'orphan',
  'calendar',
  'structure',
  'readiness',
] as const;
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

/** A subject before it is named. */
export interface SubjectRef {
  readonly type: SubjectType;
  readonly ref: string;
}

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

/** What a check proposes: the action as it is written. */
export type RemedyAction = ActionName;
export type RemedyKind = 'safe' | 'judgement';

export interface RemedyParams {
  /** For a deletion: where links to what goes shall lead, ref to ref. */
  readonly relink?: Readonly<Record<string, string>>;
  /** For re-dating: the new dates by item or event. */
  readonly dates?: Readonly<
    Record<string, { opens?: string; closes?: string; due?: string; start?: string }>
  >;
  /** For a move or a placing: the module to stand in (null: the top level) by item. */
  readonly places?: Readonly<Record<string, string | null>>;
  /** For a merge: what each target becomes a part of. */
  readonly with?: Readonly<Record<string, string>>;
  readonly titles?: Readonly<Record<string, string>>;
  /** For addresses in the targets' texts, as they are written: the ref, path or web address that each shall lead to. */
  readonly addresses?: Readonly<Record<string, string>>;
  /** For an unlink: addresses as they are written. */
  readonly drop?: readonly string[];
  /** For links taken out of events: the addresses of each. */
  readonly links?: Readonly<Record<string, readonly string[]>>;
  /** For the end of a series: the last day. */
  readonly until?: string;
  /** For dates taken out of a series, by event. */
  readonly occurrences?: Readonly<Record<string, readonly string[]>>;
  /** For a requirement dropped: what each target shall no longer require. */
  readonly requirements?: Readonly<Record<string, readonly string[]>>;
  /** For grade columns: the category of each. */
  readonly categories?: Readonly<Record<string, string>>;
  readonly readers?: 'all' | 'staff';
  /** For questions of a quiz or bank: their idents. Two questions may share one, so each stands as often as it goes. */
  readonly questions?: readonly string[];
}

export interface Remedy {
  readonly action: RemedyAction;
  readonly targets: readonly string[];
  readonly params: RemedyParams;
  readonly kind: RemedyKind;
}

/** What a finding says before it is worded: which of its check's messages, and what fills the holes. */
export interface FindingMessage {
  readonly id: string;
  readonly params: Readonly<Record<string, string | number>>;
}

/** One result of a check, in words: plain JSON, the same for interface, command line and reports. */
export interface Finding {
  /** Fingerprint of the check and its subjects: stable from one audit to the next. */
  readonly id: string;
  readonly check: CheckId;
  readonly family: Family;
  readonly urgency: Urgency;
  readonly confidence: number;
  readonly message: FindingMessage;
  /** The message in words. */
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

/** A finding without what proves it but for its first fact: what a list of thousands needs. */
export type ListedFinding = Omit<Finding, 'evidence' | 'substance' | 'message'> & {
  /** The first piece of its evidence, in one line. */
  readonly proof: string;
  /** What else may be done about it: actions that it offers beside its remedy. */
  readonly offers?: readonly string[];
};
/** A finding as far as a picture of the shell shows it. */
export type DrawnFinding = Pick<
  Finding,
  'id' | 'check' | 'family' | 'urgency' | 'title' | 'keep' | 'coveredBy'
> & { readonly subjects: readonly SubjectRef[] };

export function drawn(finding: Finding): DrawnFinding {
  const { id, check, family, urgency, title, keep, coveredBy } = finding;
  const subjects = finding.subjects.map(({ type, ref }) => ({ type, ref }));
  return { id, check, family, urgency, title, keep, coveredBy, subjects };
}

export function listed(finding: Finding): ListedFinding {
  const { evidence, substance: _, message: __, ...rest } = finding;
  const [first] = evidence;
  return { ...rest, proof: first ? `${first.label}: ${first.value}` : '' };
}

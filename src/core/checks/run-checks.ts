import { countShell, type ShellCounts } from '@/core/shell/inventory';
import { fingerprint } from '@/core/shell/digest';
import type { Shell } from '@/core/shell/model';
import { word, type CheckRecord, type RawFinding, type SubjectRef } from './check';
import { factsOf, type Facts } from './facts';
import type { CheckId, Family, Finding, Urgency } from './finding';
import { defaultHouseRules, type HouseRules } from './house-rules';
import { indexSubjects, type SubjectIndex } from './subjects';

/** What one check came to: three answers that are never mixed up. */
export type CheckOutcome =
  | { readonly state: 'found'; readonly count: number }
  | { readonly state: 'nothing-found' }
  | { readonly state: 'not-applicable'; readonly reason: string }
  | { readonly state: 'could-not-run'; readonly reason: string }
  | { readonly state: 'switched-off' };
export interface CheckRow {
  readonly check: CheckId;
  readonly outcome: CheckOutcome;
}

/** The result of an audit: plain JSON, the same for the same shell and rules. */
export interface Audit {
  readonly counts: ShellCounts;
  readonly checks: readonly CheckRow[];
  readonly findings: readonly Finding[];
}

export interface RunOptions {
  readonly checks: readonly CheckRecord[];
  readonly rules?: HouseRules;
  /** Called before each check with how many are done. */
  readonly onProgress?: (done: number, total: number, check: CheckRecord) => void;
}

interface Draft {
  readonly finding: Finding;
  readonly covers: ReadonlySet<string>;
  readonly keeps: ReadonlySet<string>;
}

/** Runs the checks one after the other over shared facts. A check that fails becomes its own row; the others go on. */
export function runChecks(shell: Shell, options: RunOptions): Audit {
  const rules = options.rules ?? defaultHouseRules(options.checks);
  const facts = factsOf(shell);
  const subjects = indexSubjects(shell);
  const rows: CheckRow[] = [];
  const drafts: Draft[] = [];
  options.checks.forEach((check, index) => {
    options.onProgress?.(index, options.checks.length, check);
    const own = rules.checks[check.id] ?? {};
    if (own['on'] === false) return void rows.push({ check: check.id, outcome: { state: 'switched-off' } });
    const reason = check.notApplicable(shell);
    if (reason !== null) return void rows.push({ check: check.id, outcome: { state: 'not-applicable', reason } });
    try {
      const raw = [...check.find({ shell, facts: only(facts, check.needs), options: check.options.parse(pick(own, check)), rules })];
      const urgency = (own['urgency'] as Urgency | undefined) ?? check.urgency;
      for (const one of raw) drafts.push(draft(shell, check, one, urgency, subjects, facts));
      rows.push({ check: check.id, outcome: raw.length ? { state: 'found', count: raw.length } : { state: 'nothing-found' } });
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      rows.push({ check: check.id, outcome: { state: 'could-not-run', reason: why } });
    }
  });
  options.onProgress?.(options.checks.length, options.checks.length, options.checks.at(-1)!);
  return { counts: countShell(shell), checks: rows, findings: sortFindings(cover(drafts), subjects) };
}

const only = <K extends keyof Facts>(facts: Facts, needs: readonly K[]): Pick<Facts, K> => {
  const view = {} as Pick<Facts, K>;
  for (const name of needs) Object.defineProperty(view, name, { get: () => facts[name], enumerable: true });
  return view;
};

const pick = (own: Readonly<Record<string, unknown>>, check: CheckRecord) =>
  Object.fromEntries(Object.entries(own).filter(([key]) => key in check.options.shape));

function draft(
  shell: Shell,
  check: CheckRecord,
  raw: RawFinding<Record<string, string>>,
  urgency: Urgency,
  index: SubjectIndex,
  facts: Facts,
): Draft {
  const refs = [...raw.subjects].sort((a, b) => index.order(a) - index.order(b));
  return {
    covers: new Set(raw.covers ?? []),
    keeps: new Set(raw.keeps ?? []),
    finding: {
      id: fingerprint(check.id, ...refs.map((s) => `${s.type} ${s.ref}`).sort()),
      check: check.id,
      family: check.id.split('.')[0] as Family,
      urgency,
      confidence: raw.confidence ?? 1,
      title: word(check.messages[raw.message.id] ?? '', raw.message.params),
      subjects: refs.map((s) => index.name(s)),
      keep: raw.keep ?? null,
      evidence: raw.evidence,
      remedy: raw.remedy,
      coveredBy: null,
      batch: raw.batch ?? '',
      substance: fingerprint(check.id, ...refs.map((s) => substanceOf(shell, s, facts)).sort()),
    },
  };
}

/** What a subject says, so that a decision is found again after a copy gave it another ref. */
function substanceOf(shell: Shell, subject: SubjectRef, facts: Facts): string {
  if (subject.type === 'item') {
    const item = facts.outline.byRef.get(subject.ref as never);
    if (item) return facts.contentKeys.substance(item);
  }
  if (subject.type === 'file') return shell.files.find((f) => f.path === subject.ref)?.sha256 ?? subject.ref;
  if (subject.type === 'event') return shell.events.find((e) => e.ref === subject.ref)?.title ?? subject.ref;
  return `${subject.type} ${subject.ref}`;
}

/** A finding is covered by another that settles all it is about; what stays may be among its subjects. */
function cover(drafts: readonly Draft[]): Finding[] {
  const broad = drafts.filter((d) => d.covers.size > 0);
  return drafts.map(({ finding }) => {
    const by = broad.find(
      (other) =>
        other.finding.id !== finding.id &&
        finding.subjects.some((s) => other.covers.has(s.ref)) &&
        finding.subjects.every((s) => other.covers.has(s.ref) || other.keeps.has(s.ref)),
    );
    return by ? { ...finding, coveredBy: by.finding.id } : finding;
  });
}

function sortFindings(findings: Finding[], index: SubjectIndex): Finding[] {
  const place = new Map(findings.map((f) => [f, f.subjects[0] ? index.order(f.subjects[0]) : 0]));
  return findings.sort(
    (a, b) => compare(a.check, b.check) || place.get(a)! - place.get(b)! || compare(a.id, b.id),
  );
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

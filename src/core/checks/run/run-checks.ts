import { entryOf } from '@/core/entries';
import { valueFor } from '@/core/sure';
import type { ShellCounts } from '@/core/inventory/inventory';
import { compareText } from '@/core/compare-text';
import type { Probe } from '@/core/probe/probe';
import { fingerprint } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import { type Missing, word, type CheckRecord, type RawFinding } from '@/core/checks/check/check';
import { factsOf, type Facts } from '@/core/checks/facts/facts';
import type { CheckId, Family, Finding, Urgency } from '@/core/checks/finding/finding';
import { defaultHouseRules, type HouseRules } from '@/core/checks/rules/house-rules';
import { staffStoresOf } from '@/core/checks/facts/staff-stores';
import { indexSubjects, type SubjectIndex } from './subjects';
import { substancesIn, type SubstanceOf } from './substance';

/** What one check came to: answers that are never mixed up. */
export type CheckOutcome =
  | { readonly state: 'found'; readonly count: number }
  | { readonly state: 'nothing-found' }
  /** `isMissing`: something that the check needs was not given, so nobody knows. */
  | { readonly state: 'not-applicable'; readonly reason: string; readonly isMissing?: true }
  /** It needs something that nobody has asked for yet. */
  | { readonly state: 'not-asked'; readonly reason: string }
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
  /** What addresses outside answered; left out where nobody asked them. */
  readonly probe?: Probe | null;
  /** Called before each check with how many are done. */
  readonly onProgress?: (done: number, total: number, check: CheckRecord) => void;
  /** Milliseconds, for `onTimings`: the core has no clock of its own. */
  readonly clock?: () => number;
  readonly onTimings?: (timings: readonly CheckTiming[]) => void;
}
/** How long a check took, the facts that it was the first to ask for included. */
export interface CheckTiming {
  readonly check: CheckId;
  readonly milliseconds: number;
}

interface Draft {
  readonly finding: Finding;
  readonly covers: readonly {
    readonly refs: ReadonlySet<string>;
    readonly checks: ReadonlySet<CheckId> | null;
  }[];
  readonly keeps: ReadonlySet<string>;
}

/** Runs the checks one after the other over shared facts. A check that fails becomes its own row; the others go on. */
export function runChecks(shell: Shell, options: RunOptions): Audit {
  const rules = options.rules ?? defaultHouseRules(options.checks);
  const events = new Set<string>();
  const stores = staffStoresOf(shell, rules.staffStore);
  const facts = factsOf(shell, stores, rules, events, options.probe ?? null);
  const subjects = indexSubjects(shell);
  const substanceOf = substancesIn(shell, facts);
  const rows: CheckRow[] = [];
  const drafts: Draft[] = [];
  // A check that asks what others found comes after them; the rows stand in the registry's order all the same.
  const asksOthers = (check: CheckRecord) => check.needs.includes('foundEvents');
  const inOrder = [...options.checks.filter((c) => !asksOthers(c)), ...options.checks.filter(asksOthers)];
  const timings: CheckTiming[] = [];
  const clock = options.clock ?? (() => 0);
  inOrder.forEach((check, index) => {
    options.onProgress?.(index, options.checks.length, check);
    const begun = clock();
    runOne(check);
    timings.push({ check: check.id, milliseconds: clock() - begun });
  });
  const place = new Map(options.checks.map((c, i) => [c.id, i]));
  rows.sort((a, b) => valueFor(place, a.check) - valueFor(place, b.check));
  const last = options.checks.at(-1);
  if (last) options.onProgress?.(options.checks.length, options.checks.length, last);
  options.onTimings?.(timings);
  return { counts: facts.counts, checks: rows, findings: sortFindings(cover(drafts), subjects) };

  function runOne(check: CheckRecord): void {
    const settings = entryOf(rules.checks, check.id) ?? {};
    if (settings['on'] === false)
      return void rows.push({ check: check.id, outcome: { state: 'switched-off' } });
    const why = check.notApplicable(shell);
    if (why !== null) return void rows.push({ check: check.id, outcome: notApplicable(why) });
    const unasked = check.notAsked?.(only(facts, check.needs)) ?? null;
    if (unasked !== null)
      return void rows.push({ check: check.id, outcome: { state: 'not-asked', reason: unasked } });
    try {
      const raw = [
        ...check.find({
          shell: stores.rest,
          facts: only(facts, check.needs),
          options: check.options.parse(pick(settings, check)),
          rules,
        }),
      ];
      const urgency = (settings['urgency'] as Urgency | undefined) ?? check.urgency;
      for (const one of raw) {
        drafts.push(draft(check, one, urgency, subjects, substanceOf));
        for (const subject of one.subjects) if (subject.type === 'event') events.add(subject.ref);
      }
      rows.push({
        check: check.id,
        outcome: raw.length ? { state: 'found', count: raw.length } : { state: 'nothing-found' },
      });
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      rows.push({ check: check.id, outcome: { state: 'could-not-run', reason: why } });
    }
  }
}

const notApplicable = (why: string | Missing): CheckOutcome =>
  typeof why === 'string'
    ? { state: 'not-applicable', reason: why }
    : { state: 'not-applicable', reason: why.missing, isMissing: true };

const only = <K extends keyof Facts>(facts: Facts, needs: readonly K[]): Pick<Facts, K> => {
  const view = {} as Pick<Facts, K>;
  for (const name of needs) Object.defineProperty(view, name, { get: () => facts[name], enumerable: true });
  return view;
};

const pick = (settings: Readonly<Record<string, unknown>>, check: CheckRecord) =>
  Object.fromEntries(Object.entries(settings).filter(([key]) => Object.hasOwn(check.options.shape, key)));

function draft(
  check: CheckRecord,
  raw: RawFinding<Record<string, string>>,
  urgency: Urgency,
  index: SubjectIndex,
  substanceOf: SubstanceOf,
): Draft {
  const refs = [...raw.subjects].sort((a, b) => index.order(a) - index.order(b));
  return {
    covers: (raw.covers ?? [])
      .filter((c) => c.refs.length > 0)
      .map((c) => ({ refs: new Set(c.refs), checks: c.checks ? new Set(c.checks) : null })),
    keeps: new Set(raw.keeps ?? []),
    finding: {
      id: fingerprint(
        check.id,
        ...refs.map((s) => `${s.type} ${s.ref}`).sort(),
        ...(raw.about === undefined ? [] : [`about ${raw.about}`]),
      ),
      check: check.id,
      family: check.id.split('.')[0] as Family,
      urgency,
      confidence: raw.confidence ?? 1,
      message: raw.message,
      title: word(entryOf(check.messages, raw.message.id) ?? '', raw.message.params),
      subjects: refs.map((s) => index.name(s)),
      keep: raw.keep ?? null,
      evidence: raw.evidence,
      remedy: raw.remedy,
      coveredBy: null,
      batch: raw.batch ?? '',
      substance: substanceOf(check.id, refs),
    },
  };
}

/** A finding is covered by another that settles all it is about; what stays may be among its subjects. */
function cover(drafts: readonly Draft[]): Finding[] {
  const broad = drafts.filter((d) => d.covers.length > 0);
  // Only what names one of a finding's subjects can cover it.
  const byRef = new Map<string, Draft[]>();
  for (const d of broad)
    for (const ref of new Set(d.covers.flatMap((c) => [...c.refs]))) {
      const list = byRef.get(ref);
      if (list) list.push(d);
      else byRef.set(ref, [d]);
    }
  const settles = (other: Draft, finding: Finding) =>
    other.covers.some(
      ({ refs, checks }) =>
        (checks === null || checks.has(finding.check)) &&
        finding.subjects.some((s) => refs.has(s.ref)) &&
        finding.subjects.every((s) => refs.has(s.ref) || other.keeps.has(s.ref)),
    );
  return drafts.map(({ finding }) => {
    const near = new Set(finding.subjects.flatMap((s) => byRef.get(s.ref) ?? []));
    const by = [...near].find(
      (other) =>
        other.finding.id !== finding.id &&
        !comesBefore(finding.check, other.finding.check) &&
        settles(other, finding),
    );
    return by ? { ...finding, coveredBy: by.finding.id } : finding;
  });
}

/** An event that several checks of the calendar find is shown under the first of these. */
const precedence: readonly CheckId[] = [
  'duplicate.event',
  'calendar.meeting-link',
  'calendar.carried-over',
  'calendar.outside-term',
];
const comesBefore = (a: CheckId, b: CheckId): boolean =>
  precedence.includes(a) && precedence.includes(b) && precedence.indexOf(a) <= precedence.indexOf(b);

/** By check, then by the places of all subjects in turn, then by id: a total order that no locale changes. */
function sortFindings(findings: readonly Finding[], index: SubjectIndex): Finding[] {
  const placed = findings.map((finding) => ({
    finding,
    places: finding.subjects.map((subject) => index.order(subject)),
  }));
  placed.sort(
    (a, b) =>
      compareText(a.finding.check, b.finding.check) ||
      compareLists(a.places, b.places) ||
      compareText(a.finding.id, b.finding.id),
  );
  return placed.map(({ finding }) => finding);
}

function compareLists(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length && i < b.length; i += 1) {
    const first = a[i] ?? 0;
    const second = b[i] ?? 0;
    if (first !== second) return first - second;
  }
  return a.length - b.length;
}

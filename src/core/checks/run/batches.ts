import { elementAt } from '@/core/sure';
import { fingerprint } from '@/core/refs/digest';
import { word, type CheckRecord } from '@/core/checks/check/check';
import {
  urgencies,
  type CheckId,
  type Family,
  type ListedFinding,
  type RemedyAction,
  type Urgency,
} from '@/core/checks/finding/finding';

/** Findings that one decision fits. */
export interface Batch {
  readonly id: string;
  readonly check: CheckId;
  readonly family: Family;
  readonly urgency: Urgency;
  readonly findings: readonly string[];
  /** How many things the batch is about, each counted once. */
  readonly things: number;
  readonly title: string;
  /** The fact that proves it. */
  readonly proof: string;
  /** How many things the proposed remedies would touch; 0 where a person must choose. */
  readonly touches: number;
  /** What the proposed remedies do; null where a person must choose. */
  readonly action: RemedyAction | null;
  /** The one question that only the owner can answer, in words; null where the evidence decides. */
  readonly question: string | null;
  /** False where the evidence has to be opened first. */
  readonly safe: boolean;
}

/** Groups open findings into batches: what students meet first comes first, then what cleans most. */
export function batchFindings(findings: readonly ListedFinding[], checks: readonly CheckRecord[]): Batch[] {
  const groups = new Map<string, ListedFinding[]>();
  for (const finding of findings) {
    const key = `${finding.check} ${finding.batch}`;
    const list = groups.get(key);
    if (list) list.push(finding);
    else groups.set(key, [finding]);
  }
  const batches = [...groups.entries()].map(([key, group]) => makeBatch(key, group, checks));
  return batches.sort(
    (a, b) =>
      urgencies.indexOf(a.urgency) - urgencies.indexOf(b.urgency) ||
      b.things - a.things ||
      (a.id < b.id ? -1 : 1),
  );
}

function makeBatch(key: string, group: readonly ListedFinding[], checks: readonly CheckRecord[]): Batch {
  const first = elementAt(group, 0);
  const check = checks.find((c) => c.id === first.check);
  const things = new Set(group.flatMap((f) => f.subjects.filter((s) => s.ref !== f.keep).map((s) => s.ref)));
  const count = check?.counts === 'findings' ? group.length : things.size;
  const targets = new Set(group.flatMap((f) => f.remedy?.targets ?? []));
  const action = group.find((f) => f.remedy)?.remedy?.action ?? null;
  return {
    id: fingerprint('batch', key),
    check: first.check,
    family: first.family,
    urgency: first.urgency,
    findings: group.map((f) => f.id),
    things: count,
    title: check?.things[count === 1 ? 0 : 1] ?? '',
    proof: proofOf(group),
    touches: targets.size,
    action,
    question: check?.question
      ? word(check.question, { count, things: check.things[count === 1 ? 0 : 1] })
      : null,
    safe: group.every((f) => f.remedy === null || f.remedy.kind === 'safe'),
  };
}

/** The evidence that most of the group shares, said once; for a single finding its first piece. */
function proofOf(group: readonly ListedFinding[]): string {
  const [first] = group;
  if (first && group.length === 1) return first.proof;
  const titles = group.slice(0, 3).map((f) => subjectTitle(f));
  const more = group.length - titles.length;
  return `${titles.map((t) => `“${t}”`).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

const subjectTitle = (finding: ListedFinding): string =>
  (finding.subjects.find((s) => s.ref !== finding.keep) ?? finding.subjects[0])?.title ?? finding.title;

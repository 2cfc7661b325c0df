import { valueFor } from '@/core/sure';
import type { Audit } from '@/core/checks/run/run-checks';
import type { DrawnFinding, Finding } from '@/core/checks/finding/finding';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { normalise } from '@/core/plan/normalise';
import { runPlan, type PlanRun, type RunRules } from '@/core/plan/run-plan';
import type { Step } from '@/core/plan/step';

/** What is needed of the audit of the shell as it is: without what proves the findings, where that takes too much. */
export interface AuditBefore<Before extends DrawnFinding> extends Pick<Audit, 'counts'> {
  readonly findings: readonly Before[];
}

/** What a plan would do: the run on a copy, and what an audit says of both sides. */
export interface Rehearsal<Before extends DrawnFinding = Finding> {
  readonly run: PlanRun;
  /** The steps that really do something: what is sealed and carried out. */
  readonly normalised: readonly Step[];
  readonly before: AuditBefore<Before>;
  readonly after: Audit;
  readonly closed: readonly Before[];
  /** Findings that were not there before. */
  readonly caused: readonly Finding[];
  /** What is left of findings that became smaller and go by another id for that. */
  readonly leftOver: readonly Finding[];
  readonly gained: readonly Item[];
  readonly lost: readonly Item[];
}

export function rehearse<Before extends DrawnFinding>(
  shell: Shell,
  before: AuditBefore<Before>,
  steps: readonly Step[],
  rules: RunRules,
  audit: (shell: Shell) => Audit,
): Rehearsal<Before> {
  const run = runPlan(shell, steps, rules);
  const after = audit(run.after);
  const sight = sightChange(shell, run.after);
  const normalised = normalise(shell, run, rules);
  return { run, normalised, before, after, ...compareAudits(before, after), ...sight };
}

/**
 * Findings closed and caused from one audit to the next. A finding that only lost subjects, or whose kept thing
 * changed, is the same trouble made smaller: it is neither closed nor caused. What is left of larger findings, and goes
 * by another id for that, is told apart, so that the counts of both audits can be followed.
 */
export function compareAudits<Before extends DrawnFinding>(
  before: { readonly findings: readonly Before[] },
  after: Pick<Audit, 'findings'>,
): { closed: Before[]; caused: Finding[]; leftOver: Finding[] } {
  const afterIds = new Set(after.findings.map((f) => f.id));
  const beforeIds = new Set(before.findings.map((f) => f.id));
  const touched = new Set(
    before.findings.flatMap((f) => f.subjects.map((s) => `${f.check} ${s.type} ${s.ref}`)),
  );
  const left = new Set(after.findings.flatMap((f) => f.subjects.map((s) => `${f.check} ${s.type} ${s.ref}`)));
  const isLeftOver = (f: Finding) => f.subjects.every((s) => touched.has(`${f.check} ${s.type} ${s.ref}`));
  const otherIds = after.findings.filter((f) => !beforeIds.has(f.id));
  return {
    closed: before.findings.filter(
      (f) => !afterIds.has(f.id) && !f.subjects.every((s) => left.has(`${f.check} ${s.type} ${s.ref}`)),
    ),
    caused: otherIds.filter((f) => !isLeftOver(f)),
    leftOver: otherIds.filter(isLeftOver),
  };
}

/** Items that students would newly see, and those they would no longer see, dates aside. */
function sightChange(before: Shell, after: Shell): { gained: Item[]; lost: Item[] } {
  const [a, b] = [outlineOf(before), outlineOf(after)];
  const sees = (outline: typeof a, item: Item) => item.placed && outline.isShown(item);
  return {
    gained: after.items.filter(
      (i) => sees(b, i) && !(a.byRef.has(i.ref) && sees(a, valueFor(a.byRef, i.ref))),
    ),
    lost: before.items.filter(
      (i) => sees(a, i) && !(b.byRef.has(i.ref) && sees(b, valueFor(b.byRef, i.ref))),
    ),
  };
}

import type { HouseRules } from '@/core/checks/rules/house-rules';
import { partOfStep, type Step } from '@/core/plan/step';
import { makeStep, type WrittenStep } from '@/core/plan/written-step';
import type { Shell } from '@/core/shell/model';
import { good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { rulesFrom } from '@/services/keep/rules/written-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { planKeyOf, planOf, type PlanRow } from '@/services/keep/plan/plan';
import { rememberWithStep, shellAfter } from '@/services/keep/plan/planned-shell';
import type { ChangedRow, PlanDraft, TriedStep } from '@/services/keep/plan/plan-draft';
import { tryStep } from '@/services/keep/plan/try-step';

/** A plan while a change of it is worked out: each step is tried on the shell as the plan so far would leave it. */
export class DraftPlan {
  private readonly changed: readonly ChangedRow[];
  private readonly tried: TriedStep[] = [];
  private steps: readonly Step[];
  private written: readonly string[];

  /** Begins with the plan as it is, but for what it shall leave alone; trouble where the house rules can’t be read. */
  static of(folder: OpenFolder, current: CurrentShell, spared: Spared | null = null): Result<DraftPlan> {
    const rules = rulesFrom(rulesFor(folder, current.row).written);
    return rules.ok ? good(new DraftPlan(folder, current, rules.value, spared)) : rules;
  }

  private constructor(
    private readonly folder: OpenFolder,
    private readonly current: CurrentShell,
    readonly rules: HouseRules,
    spared: Spared | null,
  ) {
    const rows = planOf(folder.db, current.row.id);
    this.changed = spared === null ? [] : withoutSpared(rows, spared);
    const changed = new Map(this.changed.map(({ id, step }) => [id, step]));
    this.steps = rows.flatMap((row) => {
      const step = changed.has(row.id) ? changed.get(row.id) : row.step;
      return step ? [step] : [];
    });
    this.written = this.steps.map((step) => JSON.stringify(step));
  }

  /** The shell as the plan would leave it, with what was tried so far. */
  shell(): Shell {
    const plan = { key: planKeyOf(this.written), steps: () => this.steps };
    return shellAfter(this.folder, this.current, plan, this.rules);
  }

  /** Tries a step behind the others; what of it can be done is then part of the plan. */
  add(asked: WrittenStep): Result<TriedStep> {
    const now = this.shell();
    const wanted = makeStep(now, asked);
    if (!wanted.ok) return wanted;
    const { trial, possible, after } = tryStep(now, wanted.value, this.rules.keyMarks);
    const step = partOfStep(wanted.value, possible);
    if (step !== null) this.append(step, after);
    const tried = { step, trial };
    this.tried.push(tried);
    return good(tried);
  }

  private append(step: Step, after: Shell): void {
    const earlier = this.steps;
    this.steps = [...earlier, step];
    this.written = [...this.written, JSON.stringify(step)];
    const planKey = planKeyOf(this.written);
    rememberWithStep(this.current, earlier, { planKey, shell: after, step }, this.rules);
  }

  draft(): PlanDraft {
    const { version, plan } = this.current;
    return { versionId: version.id, planKey: plan.key, changed: this.changed, tried: this.tried };
  }
}

/** A thing that every step of an action shall leave alone. */
export interface Spared {
  readonly action: string;
  readonly ref: string;
}

const withoutSpared = (rows: readonly PlanRow[], { action, ref }: Spared): readonly ChangedRow[] =>
  rows
    .filter(({ step }) => step.action === action && step.targets.some((target) => target.ref === ref))
    .map((row) => withoutRefs(row, [ref]));

/** A row that leaves some of its things alone; it goes where it has none left. */
export function withoutRefs({ id, how, step }: PlanRow, refs: readonly string[]): ChangedRow {
  const spared = new Set(refs);
  const left = step.targets.map(({ ref }) => ref).filter((ref) => !spared.has(ref));
  // It is not the finding’s own remedy any more, but a part of it.
  return { id, how: how === 'remedy' ? 'other' : how, step: partOfStep(step, left) };
}

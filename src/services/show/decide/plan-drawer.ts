import { contradictionsIn, resultsByStep, type Contradiction } from '@/core/plan/contradictions';
import { refsOf, type RefIndex } from '@/core/plan/action/refs-of-shell';
import type { Outcome, StepResult } from '@/core/plan/results';
import { runPlan } from '@/core/plan/run-plan';
import { actionOf, type AnyTarget, type Step } from '@/core/plan/step';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { runRules } from '@/services/keep/rules/run-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { findingsBehind, type AskingFinding } from '@/services/do/decide/findings-behind';
import { planOf } from '@/services/keep/plan/plan';

/** One thing that a step is about. */
export interface DrawerThing {
  readonly ref: string;
  readonly title: string;
}

/** What would become of a part of a step. */
export interface DrawerOutcome {
  readonly outcome: Exclude<Outcome, 'done'>;
  readonly count: number;
  readonly reason: string;
}

/** One step of the plan as the drawer shows it. */
export interface DrawerStep {
  readonly id: string;
  /** Its place in the plan, 1 first. */
  readonly place: number;
  readonly what: string;
  readonly count: number;
  /** The first things that it is about. */
  readonly things: readonly DrawerThing[];
  /** The finding that asked for it; null where a person did. */
  readonly finding: AskingFinding | null;
  /** What of it would not be done, and why. */
  readonly outcomes: readonly DrawerOutcome[];
  /** Where another step says otherwise, a sentence each. */
  readonly contradictions: readonly string[];
}

/** The plan by place: the module at the top level that the first thing of each step stands in. */
export interface PlanDrawerView {
  readonly size: number;
  readonly steps: number;
  readonly groups: readonly { readonly place: string; readonly steps: readonly DrawerStep[] }[];
}

const mostThings = 50;

/** The plan as it stands against the shell as it stands. */
export function planDrawer(folder: OpenFolder, current: CurrentShell): PlanDrawerView {
  const rows = planOf(folder.db, current.row.id);
  const shell = shellOf(folder.blobs, blobHash.parse(current.version.stateBlob));
  const steps = rows.map((row) => row.step);
  const run = runPlan(shell, steps, runRules(folder, current));
  const results = resultsByStep(run);
  const titles = refsOf(shell);
  const planned = refsOf(run.after);
  const titleOf = (ref: string) => (titles.typeOf(ref) === null ? planned.titleOf(ref) : titles.titleOf(ref));
  const askedBy = findingsBehind(folder, current, rows);
  const said = saidByStep(contradictionsIn(steps, run), steps);
  const placeOf = placeReader(shell, titles);
  const groups = new Map<string, DrawerStep[]>();
  rows.forEach((row, n) => {
    const targets = row.step.targets as readonly AnyTarget[];
    const place = placeOf(targets[0]?.ref ?? '');
    const group = groups.get(place) ?? [];
    groups.set(place, group);
    group.push({
      id: row.id,
      place: n + 1,
      what: actionOf(row.step.action).label,
      count: targets.length,
      things: targets.slice(0, mostThings).map(({ ref }) => ({ ref, title: titleOf(ref) })),
      finding: askedBy(row),
      outcomes: outcomesOf(results.get(row.step) ?? []),
      contradictions: said.get(n) ?? [],
    });
  });
  return {
    size: current.plan.size,
    steps: rows.length,
    groups: [...groups].map(([place, list]) => ({ place, steps: list })),
  };
}

const outcomesOf = (results: readonly StepResult[]): DrawerOutcome[] =>
  results.flatMap(({ outcome, reason, titles }) =>
    outcome === 'done' ? [] : [{ outcome, count: titles.length, reason: reason ?? 'it changes nothing' }],
  );

/** What is to be said of each step about those that it contradicts. */
function saidByStep(
  contradictions: readonly Contradiction[],
  steps: readonly Step[],
): ReadonlyMap<number, readonly string[]> {
  const said = new Map<number, string[]>();
  const addSentence = (step: number, sentence: string) =>
    said.set(step, [...(said.get(step) ?? []), sentence]);
  for (const { earlier, later, counts, refs, deletes } of contradictions) {
    const count = refs.length.toLocaleString('en');
    if (deletes) {
      addSentence(earlier, `Step ${later + 1} deletes ${count} of these, so this does nothing for them.`);
      continue;
    }
    const lost = counts === 'later' ? earlier : later;
    const kept = counts === 'later' ? later : earlier;
    addSentence(lost, `Step ${kept + 1} (${labelOf(steps[kept])}) overrides this for ${count} of these.`);
    addSentence(kept, `This overrides step ${lost + 1} (${labelOf(steps[lost])}) for ${count} of these.`);
  }
  return said;
}

const labelOf = (step: Step | undefined): string =>
  step ? actionOf(step.action).label.toLowerCase() : 'another';

const placeOfType = {
  file: 'Files',
  event: 'Calendar',
  bank: 'Question banks',
  gradeCategory: 'Grade setup',
  gradeColumn: 'Grade setup',
  group: 'Groups',
  homePage: 'Home pages',
  shell: 'The shell itself',
} as const;

function placeReader(shell: Shell, refs: RefIndex): (ref: string) => string {
  const outline = outlineOf(shell);
  return (ref) => {
    const type = refs.typeOf(ref);
    if (type === null) return 'New';
    if (type !== 'item') return placeOfType[type];
    const item = outline.byRef.get(ref as ItemRef);
    if (!item?.placed) return 'Outside the outline';
    return outline.path(item)[0] ?? (item.kind === 'module' ? item.title : 'Top of the outline');
  };
}

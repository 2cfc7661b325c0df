import { collect } from '@/core/collect';
import { linkGraphOf, type NodeKey } from '@/core/links/graph';
import { countShell } from '@/core/shell/inventory';
import type { Shell } from '@/core/shell/model';
import { deleteThings, lastInstead, nodeTitle } from './actions/delete-things';
import { relink } from './actions/relink';
import { nothingToDo, standsAlone, takeStep } from './actions/take-step';
import { applyEdits, invertEdits, type Edit } from './edits';
import { indexRefs } from './lookup';
import type { Step } from './step';

export type Outcome = 'done' | 'blocked' | 'nothing';
/** What became of a step, or of the part of it whose targets share an outcome. */
export interface StepResult {
  readonly step: Step;
  readonly outcome: Outcome;
  /** Why it was blocked or does nothing, with the way out. */
  readonly reason?: string;
  /** The blocked target, for the line that names it. */
  readonly titles: readonly string[];
}
export interface RemovedCounts {
  readonly items: number;
  readonly files: number;
  readonly events: number;
  readonly gradeCategories: number;
  readonly gradeColumns: number;
  readonly banks: number;
}
export interface PlanRun {
  readonly before: Shell;
  readonly after: Shell;
  readonly edits: readonly Edit[];
  readonly results: readonly StepResult[];
  /** Addresses rewritten in texts that are still there afterwards. */
  readonly relinked: number;
  readonly removed: RemovedCounts;
  /** Links that lead somewhere before and nowhere afterwards. */
  readonly broken: readonly { readonly from: string; readonly asked: string }[];
}

/**
 * Runs a whole plan on a shell and tells what became of each step: the one function behind rehearsal and run.
 * Order: links first, then moves, switches and dates, then deletions, all of them together. A pair of a relink is
 * left out where the deletion that it prepares is blocked, so that a blocked step changes nothing at all.
 */
export function runPlan(shell: Shell, steps: readonly Step[]): PlanRun {
  const held = new Set<string>();
  for (;;) {
    const run = attempt(shell, steps, held);
    const more = run.blockedTargets.filter((ref) => !held.has(ref));
    if (!more.length || !steps.some((s) => s.action === 'relink' && s.targets.some((t) => more.includes(t))))
      return run;
    for (const ref of more) held.add(ref);
  }
}

/** How many changes came to this outcome, each target once; links that follow along are not counted among them. */
export const countChanges = (results: readonly StepResult[], outcome: Outcome): number =>
  new Set(
    results
      .filter((r) => r.outcome === outcome && r.step.action !== 'relink')
      .flatMap((r) => r.step.targets.map((t) => `${r.step.action} ${t}`)),
  ).size;

/** Takes a run back: the exact inverse of its edits. */
export const undoEdits = (edits: readonly Edit[]): Edit[] => invertEdits(edits);

/** One step on its own, with its exact inverse. */
export function apply(
  shell: Shell,
  step: Step,
): { readonly shell: Shell; readonly inverse: readonly Edit[]; readonly results: readonly StepResult[] } {
  const run = runPlan(shell, [step]);
  return { shell: run.after, inverse: invertEdits(run.edits), results: run.results };
}

function attempt(
  shell: Shell,
  steps: readonly Step[],
  held: ReadonlySet<string>,
): PlanRun & { blockedTargets: string[] } {
  const refs = indexRefs(shell);
  const edits: Edit[] = [];
  let now = shell;
  const take = (more: readonly Edit[]) => {
    edits.push(...more);
    now = applyEdits(now, more);
  };
  const results = new Map<Step, StepResult[]>();
  const say = (step: Step, outcome: Outcome, targets: readonly string[], reason?: string) => {
    if (!targets.length) return;
    const part = targets.length === step.targets.length ? step : narrow(step, targets);
    const list = results.get(step) ?? [];
    list.push({
      step: part,
      outcome,
      titles: targets.map((t) => refs.titleOf(t)),
      ...(reason === undefined ? {} : { reason }),
    });
    results.set(step, list);
  };

  const rewritten = new Map<NodeKey, number>();
  let users: ReadonlyMap<string, ReadonlySet<NodeKey>> = new Map();
  const relinks = steps.filter((s) => s.action === 'relink' && !standsAlone(s));
  const pairs = new Map<string, string>();
  const goingRefs = new Set(
    steps.filter((s) => s.action === 'delete' && !standsAlone(s)).flatMap((s) => s.targets),
  );
  const instead = new Map(
    steps.filter((s) => s.action === 'delete').flatMap((s) => Object.entries(s.params.relink ?? {})),
  );
  for (const step of relinks)
    for (const from of step.targets) {
      const asked = step.params.to?.[from];
      // Where the goal goes, too, links lead to what stands for it in the end.
      const to =
        asked !== undefined && goingRefs.has(asked)
          ? (lastInstead(asked, instead, goingRefs) ?? asked)
          : asked;
      if (to !== undefined && !held.has(from) && refs.typeOf(to) !== null) pairs.set(from, to);
    }
  if (pairs.size) {
    const result = relink(now, pairs);
    take(result.edits);
    for (const [node, n] of result.rewritten) rewritten.set(node, n);
    users = result.used;
  }
  for (const step of steps) {
    if (!standsAlone(step)) continue;
    const unknown = step.targets.filter((t) => refs.typeOf(t) === null);
    const result = takeStep(now, step, refs);
    take(result.edits);
    const here = step.targets.filter((t) => !unknown.includes(t));
    say(
      step,
      'done',
      here.filter((t) => result.done.has(t)),
    );
    for (const [reason, targets] of groupBy(
      here.filter((t) => result.blocked.has(t) && !result.done.has(t)),
      (t) => result.blocked.get(t)!,
    ))
      say(step, 'blocked', targets, reason);
    say(
      step,
      'nothing',
      here.filter((t) => !result.done.has(t) && !result.blocked.has(t)),
      nothingToDo[step.action] ?? 'there is nothing to change',
    );
    say(step, 'blocked', unknown, 'it is not in this shell any more; comb it again');
  }

  const deletions = steps.filter((s) => s.action === 'delete' && !standsAlone(s));
  const blockedTargets: string[] = [];
  if (deletions.length) {
    const leave = new Set(deletions.filter((s) => s.params.leaveBroken).flatMap((s) => s.targets));
    const result = deleteThings(
      now,
      deletions.flatMap((s) => s.targets),
      leave,
      instead,
    );
    take(result.edits);
    blockedTargets.push(...result.blocked.keys());
    const done = new Set<string>();
    for (const step of deletions) {
      const free = step.targets.filter((t) => !result.blocked.has(t) && !result.missing.has(t));
      say(
        step,
        'done',
        free.filter((t) => !done.has(t)),
      );
      say(
        step,
        'nothing',
        step.targets.filter((t) => result.missing.has(t) || done.has(t)),
        'it is gone already',
      );
      for (const t of free) done.add(t);
      for (const [reason, targets] of groupBy(
        step.targets.filter((t) => result.blocked.has(t)),
        (t) => result.blocked.get(t)!,
      ))
        say(step, 'blocked', targets, reason);
    }
  }
  // Whether a relink did anything is known last: links out of what went do not count.
  const alive = aliveNodes(now);
  for (const step of relinks) {
    const gone = step.targets.filter((t) => refs.typeOf(step.params.to?.[t] ?? '') === null);
    const used = step.targets.filter((t) => [...(users.get(t) ?? [])].some((node) => alive.has(node)));
    say(step, 'blocked', gone, 'what the links should lead to is not in this shell; choose another');
    say(step, 'done', used);
    say(
      step,
      'nothing',
      step.targets.filter((t) => !used.includes(t) && !gone.includes(t)),
      'nothing that stays links there',
    );
  }
  return {
    before: shell,
    after: now,
    edits,
    results: steps.flatMap((s) => results.get(s) ?? []),
    relinked: [...rewritten].reduce((n, [node, count]) => n + (alive.has(node) ? count : 0), 0),
    removed: countRemoved(shell, now),
    broken: newlyBroken(shell, now),
    blockedTargets,
  };
}

function narrow(step: Step, targets: readonly string[]): Step {
  const only = (record: Readonly<Record<string, string>> | undefined) =>
    record && Object.fromEntries(Object.entries(record).filter(([ref]) => targets.includes(ref)));
  const [to, relink] = [only(step.params.to), only(step.params.relink)];
  return {
    ...step,
    targets,
    params: { ...step.params, ...(to ? { to } : {}), ...(relink ? { relink } : {}) },
  };
}

function groupBy<T>(list: readonly T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) collect(groups, key(one), one);
  return groups;
}

const aliveNodes = (shell: Shell): Set<NodeKey> =>
  new Set<NodeKey>([
    ...shell.items.map((i) => `item:${i.ref}` as const),
    ...shell.contents.map((c) => `content:${c.id}` as const),
    ...shell.files.map((f) => `file:${f.path}` as const),
  ]);

function countRemoved(before: Shell, after: Shell): RemovedCounts {
  const [a, b] = [countShell(before), countShell(after)];
  return {
    items: a.items - b.items,
    files: a.files - b.files,
    events: a.events - b.events,
    gradeCategories: a.gradeCategories - b.gradeCategories,
    gradeColumns: a.gradeColumns - b.gradeColumns,
    banks: a.banks - b.banks,
  };
}

function newlyBroken(before: Shell, after: Shell): { from: string; asked: string }[] {
  if (before.contents === after.contents && before.files === after.files) return [];
  const old = new Set(linkGraphOf(before).broken.map((b) => `${b.from} ${b.asked}`));
  const refs = indexRefs(after);
  return linkGraphOf(after)
    .broken.filter((b) => !old.has(`${b.from} ${b.asked}`))
    .map((b) => ({ from: nodeTitle(after, refs, b.from), asked: b.asked }));
}

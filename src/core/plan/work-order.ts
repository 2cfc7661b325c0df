import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { actionOf, type AnyTarget, type Step } from './step';

/** One thing to be done by hand, where it is found, and by what it is known to be done. */
export interface WorkOrderLine {
  /** The step’s place in the list that it was made from, and the ref of its target. */
  readonly step: number;
  readonly ref: string;
  /** Titles of what is around it, the outermost first; empty for what stands in no module. */
  readonly place: readonly string[];
  readonly what: string;
  readonly lookFor: string;
}

/** Lines that share a place, in the order of the shell. */
export interface WorkOrderPlace {
  readonly place: readonly string[];
  readonly lines: readonly WorkOrderLine[];
}

/** What is to be done by hand to do some steps, place by place in the order of the shell, each place in the steps’ order. */
export function workOrderOf(shell: Shell, steps: readonly Step[]): WorkOrderPlace[] {
  const lines = steps.flatMap((step, n) => linesOf(shell, step, n));
  const places = new Map<string, WorkOrderLine[]>();
  for (const line of lines) {
    const key = JSON.stringify(line.place);
    const known = places.get(key);
    if (known) known.push(line);
    else places.set(key, [line]);
  }
  const order = placeOrder(shell);
  return [...places.values()]
    .map((those) => ({ place: those[0]?.place ?? [], lines: those }))
    .sort((a, b) => (order.get(placeKey(a)) ?? -1) - (order.get(placeKey(b)) ?? -1));
}

const placeKey = ({ place }: Pick<WorkOrderPlace, 'place'>): string => JSON.stringify(place);

function placeOrder(shell: Shell): ReadonlyMap<string, number> {
  const order = new Map<string, number>();
  for (const item of shell.items) {
    const key = JSON.stringify(placeOf(shell, item.ref));
    if (!order.has(key)) order.set(key, order.size);
  }
  return order;
}

function placeOf(shell: Shell, ref: string): readonly string[] {
  const outline = outlineOf(shell);
  const item = outline.byRef.get(ref as ItemRef);
  return item ? outline.path(item) : [];
}

function linesOf(shell: Shell, step: Step, n: number): WorkOrderLine[] {
  const { titleOf } = refsOf(shell);
  const { toDo } = actionOf(step.action);
  return (step.targets as readonly AnyTarget[]).map(({ ref, sets }) => {
    return { step: n, ref, place: placeOf(shell, ref), ...toDo({ title: titleOf(ref), sets, titleOf }) };
  });
}

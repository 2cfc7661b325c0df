import { entryOf, putEntry } from '@/core/entries';
import { outlineOf } from '@/core/shell/outline';
import type { Shell } from '@/core/shell/model';
import type { ItemRef } from '@/core/refs/refs';
import { titleKey } from '@/core/text/normalise';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import type { WrittenStep } from './written-step';

/** What a plan file says of the things it names, so that another shell’s can be found by it. */
export interface ThingName {
  readonly title: string;
  /** Titles from the top level down to its module. */
  readonly place: readonly string[];
}
export type ThingNames = Readonly<Record<string, ThingName>>;

/** Title and place of everything that some steps name. */
export function namesInSteps(shell: Shell, steps: readonly WrittenStep[]): ThingNames {
  const names: Record<string, ThingName> = {};
  const refs = refsOf(shell);
  const take = (text: string): string => {
    if (entryOf(names, text) === undefined && refs.typeOf(text) !== null)
      putEntry(names, text, { title: refs.titleOf(text), place: placeOf(shell, text) });
    return text;
  };
  for (const step of steps) renamed(step, take);
  return names;
}

function placeOf(shell: Shell, ref: string): readonly string[] {
  const outline = outlineOf(shell);
  const item = outline.byRef.get(ref as ItemRef);
  return item?.placed ? outline.path(item) : [];
}

/**
 * Steps for another shell: what it does not have by its ref is looked for by title and place, then by title alone, and
 * taken where just one thing is called so. `missing` are the titles that nothing was found for.
 */
export function stepsForShell(
  shell: Shell,
  steps: readonly WrittenStep[],
  names: ThingNames,
): { readonly steps: readonly WrittenStep[]; readonly missing: readonly string[] } {
  const refs = refsOf(shell);
  const places = placesOf(shell);
  const missing = new Set<string>();
  const known = new Map<string, string>();
  const findRef = (text: string): string => {
    const name = entryOf(names, text);
    if (name === undefined || refs.typeOf(text) !== null) return text;
    const found = known.get(text) ?? places.get(keyOf(name)) ?? places.get(keyOf({ ...name, place: null }));
    if (found === undefined || found === null) missing.add(name.title);
    else known.set(text, found);
    return found ?? text;
  };
  return { steps: steps.map((step) => renamed(step, findRef)), missing: [...missing] };
}

const keyOf = ({ title, place }: { title: string; place: readonly string[] | null }): string =>
  `${place === null ? '*' : place.map(titleKey).join(' › ')} » ${titleKey(title)}`;

/** Items by place and title, and by title alone; null where several are called so. */
function placesOf(shell: Shell): ReadonlyMap<string, string | null> {
  const places = new Map<string, string | null>();
  const outline = outlineOf(shell);
  for (const item of shell.items)
    for (const place of [item.placed ? outline.path(item) : [], null]) {
      const key = keyOf({ title: item.title, place });
      places.set(key, places.has(key) ? null : item.ref);
    }
  return places;
}

/** A step with every ref in it led through a function, in targets and parameters alike. */
function renamed(step: WrittenStep, to: (text: string) => string): WrittenStep {
  return {
    ...step,
    targets: step.targets.map(to),
    params: mapped(step.params, to) as WrittenStep['params'],
  };
}

function mapped(value: unknown, to: (text: string) => string): unknown {
  if (typeof value === 'string') return to(value);
  if (Array.isArray(value)) return value.map((part) => mapped(part, to));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [to(key), mapped(part, to)]));
}

import type { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import type { SubjectType } from '@/core/refs/refs';

/**
 * One thing that a step is about: the value it has now and the value it shall have. `expects` is what the plan saw when
 * the step was made; where the shell says otherwise by then, the step is stale and is not done. Null: there was no such
 * thing.
 */
export interface Target<Expects, Sets> {
  readonly ref: string;
  readonly expects: Expects | null;
  readonly sets: Sets;
}

/** What a step came to: the shell after it, the targets that a guard holds back, with the reason and the way out. */
export interface Applied {
  readonly shell: Shell;
  readonly blocked: ReadonlyMap<string, string>;
  /** Addresses rewritten, by the content or file that they stand in. */
  readonly rewritten?: ReadonlyMap<string, number>;
}

/**
 * When a step takes its turn. Links first, so that nothing is deleted that something still leads to; what is added
 * before what is put into it; deletions last, all of them together.
 */
export const phases = ['facts', 'add', 'links', 'change', 'delete'] as const;
export type Phase = (typeof phases)[number];

/** What one thing can have only one of. */
export type Aspect = 'sight' | 'place' | 'title' | 'dates' | 'points' | 'category' | 'access' | 'facts';

/** A target as a work order asks about it. */
export interface Asked<Sets> {
  /** What it is called now. */
  readonly title: string;
  readonly sets: Sets;
  readonly titleOf: (ref: string) => string;
}

/** What to do by hand, and by what it is known to be done: a sentence each. */
export interface ToDo {
  readonly what: string;
  readonly lookFor: string;
}

/** Everything there is to know about one action: a frozen record, a file each, listed in the registry. */
export interface Action<Name extends string, Params, Expects, Sets> {
  readonly name: Name;
  readonly phase: Phase;
  /** What it is called where it is taken: “Hide” with the count of things behind it. */
  readonly label: string;
  /** What it is called in tables of steps, where nothing follows. */
  readonly title: string;
  /** What a person does by hand who does it to one target. */
  readonly toDo: (asked: Asked<Sets>) => ToDo;
  /** What it decides about a target: two steps that decide the same of one thing say different things of it. */
  readonly decides?: Aspect;
  /** It says what one thing is, and has no bearing on any other: a deletion of the thing makes it pointless. */
  readonly isSetting?: boolean;
  /** Of several that decide the same of one thing, the last says it all. */
  readonly lastCounts?: boolean;
  /** It needs nothing of a shell but its items: a screen that has no more shows at once what it does. */
  readonly isOfOutline?: boolean;
  /** A remedy by it may be taken for some of its targets: each is changed by itself. */
  readonly isDivisible?: boolean;
  /** A campus host does it for nobody: it is left to be done by hand there. */
  readonly isByHandOnHosts?: boolean;
  /** The action that it is written as, where it shares the name; it is told apart by a parameter. */
  readonly writtenAs?: { readonly action: string; readonly param: string };
  /** What a target says that has the value already. */
  readonly nothing: string;
  /** What it can be done to, and the sentence for what it can’t be done to. */
  readonly on: readonly SubjectType[];
  readonly only: string;
  /** Its targets do not exist yet: it makes them. */
  readonly creates?: boolean;
  /** Steps that follow each other are done in one go: what one does to its targets has no bearing on the others. */
  readonly joins?: boolean;
  /** Items may come into the sight of students by it: none of them may be an exposed key. */
  readonly mayShow?: boolean;
  /** The parameters as a plan file and a remedy write them. */
  readonly params: z.ZodType<Params>;
  /** Parameters that are records by target: what they name must be among the targets. */
  readonly perTarget: readonly (keyof Params & string)[];
  readonly expects: z.ZodType<Expects>;
  readonly sets: z.ZodType<Sets>;
  /** What the written parameters say about one target; null where they say nothing about it. */
  readonly setsOf: (params: Params, ref: string, shell: Shell) => Sets | null;
  /** For an action whose written targets stand for others, such as an area for all that is in it. */
  readonly expand?: (
    params: Params,
    targets: readonly string[],
    shell: Shell,
  ) => readonly { readonly ref: string; readonly sets: Sets }[];
  readonly writtenTargets?: (targets: readonly Target<Expects, Sets>[]) => readonly string[];
  /** The parameters that say just this about just these targets. */
  readonly paramsOf: (targets: readonly Target<Expects, Sets>[]) => Params;
  /** The value that the target has now; null where the shell has no such thing. */
  readonly now: (shell: Shell, ref: string, sets: Sets) => Expects | null;
  /** Is there nothing left to do for this target? */
  readonly isSet: (now: Expects, sets: Sets, shell: Shell, ref: string) => boolean;
  /** Does the step to targets that all have what it expects, but for those that a guard holds back. */
  readonly apply: (shell: Shell, targets: readonly Target<Expects, Sets>[]) => Applied;
}

/** A record of a target's own type, as the registry lists them. */
export const defineAction = <Name extends string, Params, Expects, Sets>(
  action: Action<Name, Params, Expects, Sets>,
): Action<Name, Params, Expects, Sets> => Object.freeze(action);

/** A moment as a work order names it: `2027-01-29 23:59`. */
export const sayMoment = (moment: string | null): string =>
  moment === null ? 'none' : moment.slice(0, 16).replace('T', ' ');

/** Nothing was held back. */
export const freely = (shell: Shell): Applied => ({ shell, blocked: new Map() });

/** The values that targets shall have, by ref. */
export const setsByRef = <Sets>(targets: readonly Target<unknown, Sets>[]): ReadonlyMap<string, Sets> =>
  new Map(targets.map((target) => [target.ref, target.sets]));

/** A record by target, out of what each sets. */
export const recordOf = <Sets, Value>(
  targets: readonly Target<unknown, Sets>[],
  value: (sets: Sets) => Value,
): Record<string, Value> => Object.fromEntries(targets.map((target) => [target.ref, value(target.sets)]));

/** The shell with other items; the same list stays the same object. */
export function withItems(
  shell: Shell,
  change: (item: Shell['items'][number]) => Shell['items'][number],
): Shell {
  return { ...shell, items: mapped(shell.items, change) };
}

/** A list with some things changed; the same list where none was. */
export function mapped<T>(list: readonly T[], change: (thing: T) => T): readonly T[] {
  let differs = false;
  const next = list.map((thing) => {
    const other = change(thing);
    if (other !== thing) differs = true;
    return other;
  });
  return differs ? next : list;
}

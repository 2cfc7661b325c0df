import type { NodeKey } from '@/core/links/graph';
import type { Shell } from '@/core/shell/model';
import { relinkThings } from '../links/relink-things';
import { unlinkThings } from '../links/unlink-things';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { weigh } from './going';
import { whyItStays } from './guards';
import { takeAway } from './take-away';

/**
 * What becomes of the links to something that is deleted: they lead to another thing instead, they are taken out, they
 * stay and lead nowhere, or they hold the deletion back.
 */
export type LinksThen = { readonly leadTo: string } | 'hold' | 'take-out' | 'leave-broken';

export interface DeletionRules {
  /** Files and grade columns that only the targets use stay, unless they are targets themselves. */
  readonly onlyNamed?: boolean;
  /** Refs of targets whose student work goes along: somebody confirmed that it is gone for good. Left out, none. */
  readonly overStudentWork?: { has(ref: string): boolean };
}

const nobody: ReadonlySet<string> = new Set();

export interface Deleted {
  readonly shell: Shell;
  /** Targets that a guard holds back, with the reason and the way out. */
  readonly blocked: ReadonlyMap<string, string>;
  readonly rewritten: ReadonlyMap<NodeKey, number>;
}

/**
 * Deletes things of every kind at once. Guards look at the whole set: a file that only goes together with its page is
 * free, a page that stays because a guard holds it keeps what it links to. A target that is held back changes nothing
 * at all: its links stay as they are, too.
 */
export function deleteThings(
  shell: Shell,
  targets: ReadonlyMap<string, LinksThen>,
  { onlyNamed = false, overStudentWork = nobody }: DeletionRules = {},
): Deleted {
  const blocked = new Map<string, string>(whereBothGo(shell, targets));
  for (;;) {
    const left = new Map([...targets].filter(([ref]) => !blocked.has(ref)));
    const prepared = prepareLinks(shell, left);
    const more = heldBack(prepared.shell, left, overStudentWork);
    if (!more.size) {
      const going = weigh(prepared.shell, new Set(left.keys()), brokenOf(left), !onlyNamed);
      const after = takeAway(prepared.shell, going, !onlyNamed);
      return { shell: after, blocked, rewritten: prepared.rewritten };
    }
    for (const [ref, reason] of more) blocked.set(ref, reason);
  }
}

/** Of two equal things one stays: where each is to go because of the other, neither does. Links must lead to what can be linked to. */
function whereBothGo(shell: Shell, targets: ReadonlyMap<string, LinksThen>): [string, string][] {
  const refs = refsOf(shell);
  return [...targets].flatMap(([ref, links]): [string, string][] => {
    if (typeof links !== 'object') return [];
    const type = refs.typeOf(links.leadTo);
    const isGoal = type === 'item' || type === 'file' || (type !== null && type === refs.typeOf(ref));
    if (!isGoal) return [[ref, 'what the links should lead to is not in this shell; choose another']];
    const stays = lastInstead(ref, targets);
    if (stays === null || !targets.has(stays)) return [];
    const title = refs.titleOf(links.leadTo);
    const reason = `“${title}”, which should stay in its place, is to be deleted, too; take one of the two out of the plan`;
    return [[ref, reason]];
  });
}

/** What stands for a thing in the end, from one deletion's counterpart to the next; null where nothing should. */
function lastInstead(ref: string, targets: ReadonlyMap<string, LinksThen>): string | null {
  const seen = new Set([ref]);
  const step = (at: string): string | null => {
    const links = targets.get(at);
    return typeof links === 'object' ? links.leadTo : null;
  };
  let at = step(ref);
  while (at !== null && targets.has(at) && !seen.has(at)) {
    seen.add(at);
    const next = step(at);
    if (next === null) return at;
    at = next;
  }
  return at;
}

function prepareLinks(
  shell: Shell,
  left: ReadonlyMap<string, LinksThen>,
): { shell: Shell; rewritten: ReadonlyMap<NodeKey, number> } {
  const pairs = new Map<string, string>();
  const takenOut = new Set<string>();
  for (const [ref, links] of left) {
    if (links === 'take-out') takenOut.add(ref);
    const instead = typeof links === 'object' ? lastInstead(ref, left) : null;
    if (instead !== null) pairs.set(ref, instead);
  }
  const relinked = pairs.size ? relinkThings(shell, pairs) : { shell, rewritten: new Map<NodeKey, number>() };
  if (!takenOut.size) return relinked;
  const unlinked = unlinkThings(relinked.shell, takenOut);
  const rewritten = new Map(relinked.rewritten);
  for (const [node, n] of unlinked.rewritten) rewritten.set(node, (rewritten.get(node) ?? 0) + n);
  return { shell: unlinked.shell, rewritten };
}

const brokenOf = (targets: ReadonlyMap<string, LinksThen>): Set<string> =>
  new Set([...targets].filter(([, links]) => links === 'leave-broken').map(([ref]) => ref));

/** The targets that guards hold back; each one that stays may hold more. */
function heldBack(
  shell: Shell,
  targets: ReadonlyMap<string, LinksThen>,
  overStudentWork: { has(ref: string): boolean },
): Map<string, string> {
  const blocked = new Map<string, string>();
  const broken = brokenOf(targets);
  for (;;) {
    const left = new Set([...targets.keys()].filter((ref) => !blocked.has(ref)));
    const going = weigh(shell, left, broken);
    const before = blocked.size;
    for (const ref of left) {
      const over = { brokenLinks: broken.has(ref), studentWork: overStudentWork.has(ref) };
      const reason = whyItStays(shell, ref, going, over);
      if (reason !== null) blocked.set(ref, reason);
    }
    if (blocked.size === before) return blocked;
  }
}

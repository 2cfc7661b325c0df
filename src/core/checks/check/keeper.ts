import { elementAt } from '@/core/sure';
import { largest } from '@/core/collect';
import { countLinksTo, fileNode, targetNodes, type LinkGraph, type NodeKey } from '@/core/links/graph';
import type { Item, Shell, ShellFile } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import { hasCopyMark } from '@/core/text/normalise';

/** What decides which of several equal things stays. */
export interface Candidate {
  readonly ref: string;
  readonly placed: boolean;
  readonly studentWork: number;
  readonly shown: boolean;
  readonly linksTo: number;
  readonly copyMark: boolean;
  readonly changed: string | null;
  /** Earlier places come first. */
  readonly place: number;
}

export interface Choice {
  readonly keep: string;
  /** The rule that decided, in words. */
  readonly rule: string;
}

type Rule = { readonly says: string; readonly rank: (c: Candidate) => number };
const rules: readonly Rule[] = [
  { says: 'it stands in the outline', rank: (c) => (c.placed ? 1 : 0) },
  { says: 'it has student work', rank: (c) => (c.studentWork > 0 ? 1 : 0) },
  { says: 'students can see it', rank: (c) => (c.shown ? 1 : 0) },
  { says: 'more links point at it', rank: (c) => c.linksTo },
  { says: 'its title carries no copy mark', rank: (c) => (c.copyMark ? 0 : 1) },
];

/** Chooses by the order of rules; every rule only decides among those that the ones before left equal. */
export function chooseKeeper(candidates: readonly Candidate[]): Choice {
  let left = [...candidates].sort((a, b) => a.place - b.place);
  for (const rule of rules) {
    const best = largest(left.map(rule.rank));
    const kept = left.filter((c) => rule.rank(c) === best);
    if (kept.length === 1 && left.length > 1) return { keep: elementAt(kept, 0).ref, rule: rule.says };
    left = kept;
  }
  const dates = left.map((c) => c.changed);
  if (dates.every((d) => d !== null)) {
    const newest = [...dates].sort().at(-1);
    const kept = left.filter((c) => c.changed === newest);
    if (kept.length === 1 && left.length > 1)
      return { keep: elementAt(kept, 0).ref, rule: 'its content is newer' };
    left = kept;
  }
  return { keep: elementAt(left, 0).ref, rule: 'it comes first' };
}

export function itemCandidate(
  shell: Shell,
  outline: Outline,
  graph: LinkGraph,
  item: Item,
  peers: ReadonlySet<NodeKey>,
): Candidate {
  return {
    ref: item.ref,
    placed: item.placed,
    studentWork: item.studentWork ?? 0,
    shown: outline.isShown(item),
    linksTo: targetNodes(shell, item.content).reduce((n, node) => n + countLinksTo(graph, node, peers), 0),
    copyMark: hasCopyMark(item.title),
    changed: item.modified ?? item.created,
    place: outline.order.get(item.ref) ?? 0,
  };
}

/** A file counts as placed and shown where an outline item shows it. */
export function fileCandidate(
  graph: LinkGraph,
  file: ShellFile,
  placedBy: readonly Item[],
  outline: Outline,
  place: number,
): Candidate {
  return {
    ref: file.path,
    placed: placedBy.some((i) => i.placed),
    studentWork: placedBy.reduce((n, i) => n + (i.studentWork ?? 0), 0),
    shown: placedBy.some((i) => i.placed)
      ? placedBy.some((i) => outline.isShown(i))
      : file.readableBy !== 'staff',
    linksTo: countLinksTo(graph, fileNode(file.path)),
    copyMark: hasCopyMark(file.path.slice(file.path.lastIndexOf('/') + 1)),
    changed: file.modified ?? file.created,
    place,
  };
}

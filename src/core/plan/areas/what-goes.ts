import { contentNode, fileNode, linkGraphOf, type NodeKey } from '@/core/links/graph';
import { activitiesByColumn } from '@/core/shell/grade-links';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { filePath } from '@/core/refs/refs';
import { refsIn, type ResetArea } from './areas';

/** What becomes of the things of the named areas. */
export interface WhatGoes {
  /** What goes, each with its area. */
  readonly going: ReadonlyMap<string, ResetArea>;
  /** What was asked to be kept, with what stands inside kept modules. */
  readonly kept: readonly string[];
  /** What stays since something that stays needs it: modules around it, files, banks, grade columns, categories. */
  readonly needed: readonly string[];
}

/**
 * Works out what goes when areas are reset. A kept module keeps all inside it, and what it stands in. Whatever stays,
 * kept or outside the named areas, keeps the files and banks that it needs; a grade column stays only for an activity
 * that was asked to be kept.
 */
export function whatGoes(shell: Shell, areas: readonly ResetArea[], keep: readonly string[]): WhatGoes {
  const { kept, around } = keptThings(shell, keep);
  const isKept = (ref: string) => kept.has(ref) || around.has(ref);
  const going = new Map<string, ResetArea>();
  const refs = refsIn(shell);
  for (const area of areas) for (const ref of refs[area]) if (!isKept(ref)) going.set(ref, area);
  const needed = new Set<string>(around);
  const needs = [
    ...filesAndBanksFor(shell, (item) => !going.has(item.ref), kept),
    ...columnsFor(shell, kept),
  ];
  for (const ref of needs) if (going.delete(ref)) needed.add(ref);
  return { going, kept: [...kept], needed: [...needed].filter((ref) => !kept.has(ref)) };
}

function keptThings(
  shell: Shell,
  keep: readonly string[],
): { readonly kept: ReadonlySet<string>; readonly around: ReadonlySet<string> } {
  const outline = outlineOf(shell);
  const asked = new Set(keep);
  const kept = new Set<string>(keep);
  const around = new Set<string>();
  for (const item of shell.items) {
    if (!asked.has(item.ref)) continue;
    for (const inside of outline.descendants(item.ref)) kept.add(inside.ref);
    for (const above of outline.ancestors(item)) around.add(above.ref);
  }
  return { kept, around };
}

/** Files and banks that what stays needs, and what those need in turn. Pages it only links to are not among them. */
function filesAndBanksFor(
  shell: Shell,
  stays: (item: Item) => boolean,
  kept: ReadonlySet<string>,
): ReadonlySet<string> {
  const graph = linkGraphOf(shell);
  const bankOf = new Map<string, string>(
    shell.banks.flatMap((b) => (b.content ? [[contentNode(b.content), b.ref] as const] : [])),
  );
  const needed = new Set<string>();
  const seen = new Set<NodeKey>();
  const waiting: NodeKey[] = [
    ...shell.items.flatMap((item) => (stays(item) && item.content ? [contentNode(item.content)] : [])),
    ...shell.files.filter(({ path }) => kept.has(path)).map(({ path }) => fileNode(filePath(path))),
  ];
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    if (seen.has(node)) continue;
    seen.add(node);
    for (const { to, kind } of graph.outgoing.get(node) ?? []) {
      const bank = bankOf.get(to);
      if (bank !== undefined) needed.add(bank);
      else if (to.startsWith('file:')) needed.add(to.slice(5));
      else if (kind !== 'dependency') continue;
      waiting.push(to);
    }
    if (node.startsWith('file:')) needed.add(node.slice(5));
  }
  return needed;
}

/** The grade columns of kept activities, and the categories of those and of kept columns. */
function columnsFor(shell: Shell, kept: ReadonlySet<string>): ReadonlySet<string> {
  const needed = new Set<string>();
  for (const [column, activities] of activitiesByColumn(shell))
    if (activities.some((item) => kept.has(item.ref))) needed.add(column);
  for (const { ref, category } of shell.gradeColumns)
    if (category !== null && (needed.has(ref) || kept.has(ref))) needed.add(category);
  return needed;
}

import { collect } from '@/core/collect';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { itemRef, type ItemRef } from '@/core/shell/refs';
import { applyEdits, rearranged, replacements, type Edit } from '../edits';
import type { ActionResult } from './action-result';

/** An item with all inside it, as it stands in the list. */
const blockOf = (shell: Shell, item: Item): Item[] => [item, ...outlineOf(shell).descendants(item.ref)];

/**
 * Sorts siblings into the given order in the places that they hold now. A heading takes along what stands below it.
 * Blocked where they are no siblings.
 */
export function sortItems(shell: Shell, targets: readonly string[]): ActionResult {
  const outline = outlineOf(shell);
  const members = targets.map((ref) => outline.byRef.get(ref as ItemRef)).filter((i) => i !== undefined);
  const parent = members[0]?.parent;
  if (members.length !== targets.length || members.some((m) => !m.placed || m.parent !== parent))
    return {
      edits: [],
      done: new Set(),
      blocked: new Map(targets.map((t) => [t, 'they do not stand side by side any more; sort by hand'])),
    };
  const chosen = new Set(members);
  const siblings = outline.children(parent ?? null);
  const runs = new Map<Item, Item[]>();
  for (const member of members) {
    const run = [member];
    if (member.kind === 'heading')
      for (const next of siblings.slice(siblings.indexOf(member) + 1)) {
        if (next.kind === 'heading' || next.kind === 'module' || chosen.has(next)) break;
        run.push(next);
      }
    runs.set(
      member,
      run.flatMap((i) => blockOf(shell, i)),
    );
  }
  const moving = new Set([...runs.values()].flat());
  const starts = new Set(members);
  const next: Item[] = [];
  let k = 0;
  for (const item of shell.items)
    if (starts.has(item)) next.push(...runs.get(members[k++]!)!);
    else if (!moving.has(item)) next.push(item);
  const edits = rearranged(shell, next);
  return { edits, done: new Set(edits.length ? targets : []), blocked: new Map() };
}

/**
 * Lifts items out of their module: they stand right behind it. A module emptied by it goes; where it held several,
 * its title stays as a heading above them.
 */
export function liftOut(shell: Shell, targets: readonly string[]): ActionResult {
  let now = shell;
  const edits: Edit[] = [];
  const blocked = new Map<string, string>();
  const done = new Set<string>();
  const byParent = new Map<ItemRef, string[]>();
  for (const ref of targets) {
    const item = outlineOf(shell).byRef.get(ref as ItemRef);
    if (!item?.placed || item.parent === null)
      blocked.set(ref, `“${item?.title ?? ref}” stands in no module`);
    else collect(byParent, item.parent, ref);
  }
  for (const [parentRef, refs] of byParent) {
    const outline = outlineOf(now);
    const parent = outline.byRef.get(parentRef);
    if (!parent) continue;
    const lifted = outline.children(parentRef).filter((c) => refs.includes(c.ref));
    const moving = new Set(lifted.flatMap((i) => blockOf(now, i)));
    const whole = new Set(blockOf(now, parent));
    const emptied = outline.children(parentRef).length === lifted.length && parent.content === null;
    const block = lifted.flatMap((i) =>
      blockOf(now, i).map((x) => (x === i ? { ...x, parent: parent.parent } : x)),
    );
    const next: Item[] = [];
    let placed = false;
    const put = () => {
      if (!placed) next.push(...block);
      placed = true;
    };
    let inside = false;
    for (const item of now.items) {
      if (inside && !whole.has(item)) {
        put();
        inside = false;
      }
      if (item === parent) inside = true;
      if (moving.has(item)) continue;
      if (item !== parent || !emptied) next.push(item);
      else if (lifted.length > 1) next.push({ ...item, kind: 'heading' });
    }
    put();
    const made = rearranged(now, next);
    edits.push(...made);
    now = applyEdits(now, made);
    for (const ref of refs) done.add(ref);
  }
  return { edits, done, blocked };
}

/** Places what stands outside the outline into a module's end (null: the end of the outline). It gets an identifier of its own there. */
export function placeItems(
  shell: Shell,
  targets: readonly string[],
  places: Readonly<Record<string, string | null>>,
): ActionResult {
  let now = shell;
  const edits: Edit[] = [];
  const blocked = new Map<string, string>();
  const done = new Set<string>();
  for (const ref of targets) {
    const outline = outlineOf(now);
    const item = outline.byRef.get(ref as ItemRef);
    const into = places[ref] ?? null;
    const goal = into === null ? null : outline.byRef.get(into as ItemRef);
    if (!item || item.placed || item.content === null)
      blocked.set(ref, `“${item?.title ?? ref}” does not stand outside the outline`);
    else if (into !== null && (!goal || goal.kind !== 'module'))
      blocked.set(ref, `the module to place “${item.title}” in is not in this shell; choose another`);
    else {
      const fresh = freshRef(outline.byRef, item.content);
      const placed: Item = { ...item, ref: fresh, placed: true, parent: into as ItemRef | null };
      const rest = now.items.filter((i) => i !== item);
      const last = goal ? [...blockOf(now, goal)].at(-1)! : null;
      const outside = rest.findIndex((i) => !i.placed);
      const at = last ? rest.indexOf(last) + 1 : outside < 0 ? rest.length : outside;
      const made = rearranged(now, [...rest.slice(0, at), placed, ...rest.slice(at)]);
      const follow = applyEdits(now, made);
      const others = [
        ...replacements(follow, 'items', (i) =>
          i.requires.some((r) => r === item.ref)
            ? { ...i, requires: i.requires.map((r) => (r === item.ref ? fresh : r)) }
            : i,
        ),
        ...replacements(follow, 'homePages', (h) => (h.ref === item.ref ? { ...h, ref: fresh } : h)),
      ];
      edits.push(...made, ...others);
      now = applyEdits(follow, others);
      done.add(ref);
    }
  }
  return { edits, done, blocked };
}

/** An identifier that fits a manifest and is not taken. */
function freshRef(taken: ReadonlyMap<ItemRef, Item>, content: string): ItemRef {
  const stem = `placed_${content.replace(/[^A-Za-z0-9_.-]/g, '_')}`;
  let ref = itemRef(stem);
  for (let n = 2; taken.has(ref); n += 1) ref = itemRef(`${stem}_${n}`);
  return ref;
}

/** Moves all that modules hold to the end of the ones that stay, then takes the emptied modules away. */
export function mergeModules(shell: Shell, pairs: ReadonlyMap<string, string>): ActionResult {
  let now = shell;
  const edits: Edit[] = [];
  const blocked = new Map<string, string>();
  const done = new Set<string>();
  for (const [from, to] of pairs) {
    const outline = outlineOf(now);
    const [source, goal] = [outline.byRef.get(from as ItemRef), outline.byRef.get(to as ItemRef)];
    if (
      !source ||
      !goal ||
      source === goal ||
      goal.kind !== 'module' ||
      source.content !== null ||
      blockOf(now, source).includes(goal)
    ) {
      blocked.set(from, 'the module to become a part of is not there, or stands inside; choose another');
      continue;
    }
    const inside = outline
      .descendants(source.ref)
      .map((i) => (i.parent === source.ref ? { ...i, parent: goal.ref } : i));
    const moving = new Set<Item>(blockOf(now, source));
    const rest = now.items.filter((i) => !moving.has(i));
    const last = [...blockOf(now, goal)].filter((i) => !moving.has(i)).at(-1)!;
    const at = rest.indexOf(last) + 1;
    const made = rearranged(now, [...rest.slice(0, at), ...inside, ...rest.slice(at)]);
    edits.push(...made);
    now = applyEdits(now, made);
    done.add(from);
  }
  return { edits, done, blocked };
}

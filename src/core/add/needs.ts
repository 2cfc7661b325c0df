import { contentNode, fileNode, filesByContent, linkGraphOf, type NodeKey } from '@/core/links/graph';
import { activitiesByColumn } from '@/core/shell/grade-links';
import type { Shell } from '@/core/shell/model';
import type { ContentId } from '@/core/shell/refs';
import { incomingKey, type AddPreview, type IncomingKey, type IncomingThing, type Need } from './incoming';

/** What every thing of an incoming package needs at once: its files, its bank, its grade column, what its resource depends on. */
export function needsOf(incoming: Shell): Record<string, Need[]> {
  const graph = linkGraphOf(incoming);
  const files = new Set<string>(incoming.files.map((f) => f.path));
  const bankOf = new Map(
    incoming.banks.flatMap(({ content, ref }) => (content ? [[content, ref] as const] : [])),
  );
  const placeOf = new Map<ContentId, string>();
  for (const item of incoming.items)
    if (item.content && !placeOf.has(item.content)) placeOf.set(item.content, item.ref);
  const owned = filesByContent(incoming);
  const columns = new Set<string>(incoming.gradeColumns.map((c) => c.ref));
  const needs: Record<string, Need[]> = {};
  const add = (key: IncomingKey, need: Need) => {
    if (need.key === key) return;
    const list = (needs[key] ??= []);
    if (!list.some((n) => n.key === need.key)) list.push(need);
  };
  const fromNode = (key: IncomingKey, node: NodeKey) => {
    for (const edge of graph.outgoing.get(node) ?? []) {
      const [type, ref] = [edge.to.slice(0, edge.to.indexOf(':')), edge.to.slice(edge.to.indexOf(':') + 1)];
      if (type === 'file' && files.has(ref))
        add(key, {
          key: incomingKey('file', ref),
          why: edge.kind === 'owns' ? 'part of it' : 'a picture or file on it',
        });
      else if (type === 'content') {
        const id = ref as ContentId;
        const bank = bankOf.get(id);
        if (bank !== undefined) add(key, { key: incomingKey('bank', bank), why: 'the questions it draws' });
        else if (edge.kind === 'dependency' || (edge.kind === 'address' && edge.attribute !== 'href')) {
          // What is shown inside it or what its resource depends on; a plain link to another page is no need.
          const place = placeOf.get(id);
          if (place !== undefined)
            add(key, {
              key: incomingKey('item', place),
              why: edge.kind === 'dependency' ? 'what it depends on' : 'shown inside it',
            });
        }
      }
    }
  };
  for (const item of incoming.items) {
    const key = incomingKey('item', item.ref);
    if (item.content) fromNode(key, contentNode(item.content));
    if (item.gradeColumn !== null && columns.has(item.gradeColumn))
      add(key, { key: incomingKey('gradeColumn', item.gradeColumn), why: 'its grade column' });
  }
  // A column may belong to an activity by its title alone.
  for (const [column, activities] of activitiesByColumn(incoming))
    for (const item of activities)
      add(incomingKey('item', item.ref), {
        key: incomingKey('gradeColumn', column),
        why: 'its grade column',
      });
  for (const file of incoming.files) {
    const key = incomingKey('file', file.path);
    fromNode(key, fileNode(file.path));
    for (const edge of graph.outgoing.get(contentNode(file.content)) ?? [])
      if (edge.kind === 'dependency')
        for (const other of owned.get(edge.to.slice('content:'.length) as ContentId) ?? [])
          add(key, { key: incomingKey('file', other.path), why: 'what it depends on' });
  }
  for (const column of incoming.gradeColumns)
    if (column.category)
      add(incomingKey('gradeColumn', column.ref), {
        key: incomingKey('gradeCategory', column.category),
        why: 'its grade category',
      });
  return needs;
}

/** What a choice really takes: the chosen things and, again and again, what they need and the shell does not have. */
export interface Choice {
  readonly taken: ReadonlySet<IncomingKey>;
  /** Why something comes along that nobody ticked: the title of what needs it, and how. */
  readonly along: ReadonlyMap<IncomingKey, { readonly for: string; readonly why: string }>;
}

export function closeChoice(
  preview: Pick<AddPreview, 'things' | 'needs'>,
  chosen: Iterable<IncomingKey>,
): Choice {
  const things = new Map<IncomingKey, IncomingThing>(preview.things.map((t) => [t.key, t]));
  const taken = new Set<IncomingKey>();
  const along = new Map<IncomingKey, { for: string; why: string }>();
  const visit = (key: IncomingKey) => {
    const thing = things.get(key);
    if (!thing || taken.has(key)) return;
    taken.add(key);
    for (const need of preview.needs[key] ?? []) {
      const needed = things.get(need.key);
      // What stands there already is used as it stands.
      if (!needed || taken.has(need.key) || needed.standing === 'there' || needed.standing === 'doubled')
        continue;
      along.set(need.key, { for: thing.title, why: need.why });
      visit(need.key);
    }
  };
  const ticked = [...chosen];
  for (const key of ticked) visit(key);
  for (const key of ticked) along.delete(key);
  return { taken, along };
}

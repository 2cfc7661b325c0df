import { listUnder } from '@/core/entries';
import {
  contentNode,
  contentOfNode,
  fileNode,
  filesByContent,
  linkGraphOf,
  type Edge,
} from '@/core/links/graph';
import { activitiesByColumn } from '@/core/shell/grade-links';
import type { Shell } from '@/core/shell/model';
import type { ContentId, ItemRef } from '@/core/refs/refs';
import { incomingKey, type IncomingKey, type Need } from './incoming';

/** What every thing of an incoming package needs at once: its files, its bank, its grade column, what its resource depends on. */
export function needsOf(incoming: Shell): Record<string, Need[]> {
  const needs = new NeedList();
  needsOfItems(incoming, needs);
  needsOfFiles(incoming, needs);
  for (const column of incoming.gradeColumns)
    if (column.category)
      needs.add(incomingKey('gradeColumn', column.ref), {
        key: incomingKey('gradeCategory', column.category),
        why: 'its grade category',
      });
  return needs.byKey;
}

/** Needs by the thing that has them; nothing needs itself, or another thing twice. */
class NeedList {
  readonly byKey: Record<string, Need[]> = {};

  add(key: IncomingKey, need: Need): void {
    if (need.key === key) return;
    const list = listUnder(this.byKey, key);
    if (!list.some((known) => known.key === need.key)) list.push(need);
  }
}

function needsOfItems(incoming: Shell, needs: NeedList): void {
  const needOfEdge = edgeReader(incoming);
  const graph = linkGraphOf(incoming);
  const columns = new Set<string>(incoming.gradeColumns.map((c) => c.ref));
  const needsColumn = (item: ItemRef, column: string) =>
    needs.add(incomingKey('item', item), {
      key: incomingKey('gradeColumn', column),
      why: 'its grade column',
    });
  for (const item of incoming.items) {
    const edges = item.content ? (graph.outgoing.get(contentNode(item.content)) ?? []) : [];
    for (const edge of edges) {
      const need = needOfEdge(edge);
      if (need) needs.add(incomingKey('item', item.ref), need);
    }
    if (item.gradeColumn !== null && columns.has(item.gradeColumn)) needsColumn(item.ref, item.gradeColumn);
  }
  // A column may belong to an activity by its title alone.
  for (const [column, activities] of activitiesByColumn(incoming))
    for (const item of activities) needsColumn(item.ref, column);
}

function needsOfFiles(incoming: Shell, needs: NeedList): void {
  const needOfEdge = edgeReader(incoming);
  const graph = linkGraphOf(incoming);
  const filesOf = filesByContent(incoming);
  for (const file of incoming.files) {
    const key = incomingKey('file', file.path);
    for (const edge of graph.outgoing.get(fileNode(file.path)) ?? []) {
      const need = needOfEdge(edge);
      if (need) needs.add(key, need);
    }
    for (const edge of graph.outgoing.get(contentNode(file.content)) ?? []) {
      const dependency = edge.kind === 'dependency' ? contentOfNode(edge.to) : null;
      const others = dependency === null ? [] : (filesOf.get(dependency) ?? []);
      for (const other of others)
        needs.add(key, { key: incomingKey('file', other.path), why: 'what it depends on' });
    }
  }
}

/** Reads what an edge of the link graph says that its beginning needs; null for a mere link to another page. */
function edgeReader(incoming: Shell): (edge: Edge) => Need | null {
  const bankOf = new Map(
    incoming.banks.flatMap(({ content, ref }) => (content ? [[content, ref] as const] : [])),
  );
  const placeOf = new Map<ContentId, ItemRef>();
  for (const item of incoming.items)
    if (item.content && !placeOf.has(item.content)) placeOf.set(item.content, item.ref);
  const files = new Set(incoming.files.map((file) => fileNode(file.path)));

  return (edge) => {
    if (files.has(edge.to))
      return {
        key: incomingKey('file', edge.to.slice('file:'.length)),
        why: edge.kind === 'owns' ? 'part of it' : 'a picture or file on it',
      };
    const content = contentOfNode(edge.to);
    if (content === null) return null;
    const bank = bankOf.get(content);
    if (bank !== undefined) return { key: incomingKey('bank', bank), why: 'the questions it draws' };
    const place = placeOf.get(content);
    if (place === undefined) return null;
    // What is shown inside it or what its resource depends on; a plain link to another page is no need.
    if (edge.kind === 'dependency') return { key: incomingKey('item', place), why: 'what it depends on' };
    const isShownInside = edge.kind === 'address' && edge.attribute !== 'href';
    return isShownInside ? { key: incomingKey('item', place), why: 'shown inside it' } : null;
  };
}

import { append } from '@/core/collect';
import type { Edit, ListName, PlacedThing } from './edit';

/** The edits with each addition and removal on its own: one thing an edit. */
export const singleEdits = (edits: readonly Edit[]): Edit[] =>
  edits.flatMap((edit) =>
    edit.op === 'insert' || edit.op === 'remove'
      ? edit.things.map((thing) => ({ ...edit, things: [thing] }) as Edit)
      : [edit],
  );

type Listed = Extract<Edit, { op: 'insert' | 'remove' }>;
interface Group {
  readonly op: Listed['op'];
  readonly list: ListName;
  readonly things: PlacedThing<ListName>[];
  /** What the additions so far stand behind: a second one behind the same would land before the first. */
  readonly anchors: Set<string | null>;
}

/** Additions to one list that follow each other as one edit, and so removals: a long list is walked once for all of them. */
export function joinEdits(edits: readonly Edit[]): Edit[] {
  const joined: (Edit | Group)[] = [];
  let group: Group | null = null;
  for (const edit of edits) {
    if (edit.op !== 'insert' && edit.op !== 'remove') {
      group = null;
      joined.push(edit);
      continue;
    }
    if (!group || !joins(group, edit)) {
      group = { op: edit.op, list: edit.list, things: [], anchors: new Set() };
      joined.push(group);
    }
    append(group.things, edit.things);
    for (const { after } of edit.things) group.anchors.add(after);
  }
  return joined.map((one) => ('anchors' in one ? editOf(one) : one));
}

function joins(group: Group, edit: Listed): boolean {
  if (group.op !== edit.op || group.list !== edit.list) return false;
  return edit.op === 'remove' || !edit.things.some(({ after }) => group.anchors.has(after));
}

const editOf = ({ op, list, things }: Group): Edit => ({ op, list, things }) as Edit;

import { valueFor } from '@/core/sure';
import { append } from '@/core/collect';
import {
  standings,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type IncomingType,
  type Standing,
} from '@/core/add/incoming';

export type TreeRow =
  | {
      readonly row: 'section';
      readonly key: string;
      readonly title: string;
      readonly things: readonly IncomingKey[];
    }
  | {
      readonly row: 'thing';
      readonly key: IncomingKey;
      readonly thing: IncomingThing;
      readonly depth: number;
      /** The thing and all below it. */ readonly below: readonly IncomingKey[];
    };

const sectionTitles: readonly { readonly title: string; readonly types: readonly IncomingType[] }[] = [
  { title: 'Outline', types: ['item'] },
  { title: 'Events', types: ['event'] },
  { title: 'Grade setup and banks', types: ['gradeCategory', 'gradeColumn', 'bank'] },
  { title: 'Files', types: ['file'] },
];

/** The preview as the rows of a tree; with standings given, only what has one of them, and what holds it. */
export function treeRows(preview: Pick<AddPreview, 'things'>, shown: ReadonlySet<Standing>): TreeRow[] {
  const children = new Map<IncomingKey | null, IncomingThing[]>();
  const known = new Set(preview.things.map((t) => t.key));
  for (const thing of preview.things) {
    const parent = thing.parent !== null && known.has(thing.parent) ? thing.parent : null;
    const list = children.get(parent);
    if (list) list.push(thing);
    else children.set(parent, [thing]);
  }
  const below = (thing: IncomingThing): IncomingKey[] => [
    thing.key,
    ...(children.get(thing.key) ?? []).flatMap(below),
  ];
  const wanted = (thing: IncomingThing): boolean =>
    shown.has(thing.standing) || (children.get(thing.key) ?? []).some(wanted);
  const standing = new Map(preview.things.map((t) => [t.key, t.standing]));
  const isShown = (key: IncomingKey) => shown.has(valueFor(standing, key));
  const rows: TreeRow[] = [];
  for (const section of sectionTitles) {
    const top = (children.get(null) ?? []).filter((t) => section.types.includes(t.type));
    const visible: TreeRow[] = [];
    const visit = (thing: IncomingThing, depth: number) => {
      if (!wanted(thing)) return;
      visible.push({
        row: 'thing',
        key: thing.key,
        thing,
        depth,
        below: below(thing).filter((k) => k === thing.key || isShown(k)),
      });
      for (const child of children.get(thing.key) ?? []) visit(child, depth + 1);
    };
    for (const thing of top) visit(thing, 1);
    if (!visible.length) continue;
    const things = visible.flatMap((v) => (v.row === 'thing' && isShown(v.thing.key) ? [v.thing.key] : []));
    rows.push({ row: 'section', key: `section ${section.title}`, title: section.title, things });
    append(rows, visible);
  }
  return rows;
}

export const everyStanding: ReadonlySet<Standing> = new Set(standings);

/** How much of a row is ticked. */
export function tickOf(
  keys: readonly IncomingKey[],
  chosen: ReadonlySet<IncomingKey>,
): 'none' | 'some' | 'all' {
  const n = keys.reduce((sum, k) => sum + (chosen.has(k) ? 1 : 0), 0);
  if (n === 0) return 'none';
  return n === keys.length ? 'all' : 'some';
}

/** How many of each sort a choice holds, in words: “12 items, 5 files”. */
export function sayChoice(keys: Iterable<IncomingKey>): string {
  const names: Readonly<Record<IncomingType, readonly [string, string]>> = {
    item: ['item', 'items'],
    file: ['file', 'files'],
    event: ['event', 'events'],
    gradeCategory: ['grade category', 'grade categories'],
    gradeColumn: ['grade column', 'grade columns'],
    bank: ['question bank', 'question banks'],
  };
  const counts = new Map<IncomingType, number>();
  for (const key of keys) {
    const type = key.slice(0, key.indexOf(' ')) as IncomingType;
    counts.set(type, (counts.get(type) ?? 0) + 1);
  }
  return (
    [...counts].map(([type, n]) => `${n.toLocaleString('en')} ${names[type][n === 1 ? 0 : 1]}`).join(', ') ||
    'nothing'
  );
}

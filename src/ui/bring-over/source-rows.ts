import type { IncomingKey, IncomingThing } from '@/core/add/incoming';
import { kindOf } from '@/core/add/choose';
import type { TreeRow } from '../add/tree-model';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';

/** What is shown of a source. */
export interface SourceFilter {
  /** Only what wants a look, or only what is chosen. */
  readonly only: 'all' | 'look' | 'chosen';
  readonly text: string;
  readonly folded: ReadonlySet<string>;
}
export const wholeSource: SourceFilter = { only: 'all', text: '', folded: new Set() };

/** The words beside each thing: what the checks know of it. */
export function hintsByKey({
  preview,
}: Pick<BringOverView, 'preview'>): ReadonlyMap<IncomingKey, readonly string[]> {
  const hints = new Map<IncomingKey, string[]>();
  for (const { key, says } of preview.hints) hints.set(key, [...(hints.get(key) ?? []), says]);
  return hints;
}

/** Tells of a new thing whether it wants a look first: it is left out of the proposal, or a check doubts it. */
export function lookWanted({ preview }: Pick<BringOverView, 'preview'>): (thing: IncomingThing) => boolean {
  const doubted = new Set(preview.hints.filter(({ isDoubt }) => isDoubt).map(({ key }) => key));
  return ({ key, standing, leftOut }) => standing === 'new' && (leftOut !== null || doubted.has(key));
}

/** The rows of a source as they are filtered and folded; a module stands over what is shown of it. */
export function sourceRows(
  { preview }: Pick<BringOverView, 'preview'>,
  rows: readonly TreeRow[],
  filter: SourceFilter,
  isChosen: (key: IncomingKey) => boolean,
  wantsLook: (thing: IncomingThing) => boolean,
): readonly TreeRow[] {
  const text = filter.text.trim().toLowerCase();
  const isMatch = (thing: IncomingThing) => {
    if (text !== '' && !thing.title.toLowerCase().includes(text)) return false;
    if (filter.only === 'look') return wantsLook(thing);
    return filter.only === 'all' || isChosen(thing.key);
  };
  const isFiltered = text !== '' || filter.only !== 'all';
  const shown = isFiltered ? keysAround(preview.things, isMatch) : null;
  const visible: TreeRow[] = [];
  let foldedAt: number | null = null;
  for (const row of rows) {
    const depth = row.row === 'section' ? 0 : row.depth;
    if (foldedAt !== null && depth > foldedAt) continue;
    foldedAt = null;
    if (row.row === 'thing' && shown !== null && !shown.has(row.key)) continue;
    visible.push(row);
    if (filter.folded.has(row.key)) foldedAt = depth;
  }
  return visible.filter(
    (row, n) => row.row === 'thing' || visible[n + 1]?.row === 'thing' || filter.folded.has(row.key),
  );
}

/** What matches, with the modules around it. */
function keysAround(
  things: readonly IncomingThing[],
  isMatch: (thing: IncomingThing) => boolean,
): ReadonlySet<IncomingKey> {
  const parents = new Map(things.map(({ key, parent }) => [key, parent]));
  const keys = new Set<IncomingKey>();
  for (const thing of things.filter(isMatch))
    for (let key: IncomingKey | null = thing.key; key !== null; key = parents.get(key) ?? null) keys.add(key);
  return keys;
}

/** How many things there are of a kind, how many of them are chosen, and which can be. */
export interface KindCount {
  readonly kind: string;
  readonly total: number;
  readonly taken: number;
  /** What a tick of the kind takes: what is new and not left out. */
  readonly open: readonly IncomingKey[];
}

const kindOrder = [
  'page',
  'assignment',
  'quiz',
  'discussion',
  'announcement',
  'event',
  'file',
  'web-link',
  'tool-link',
  'bank',
  'grade-setup',
];

/** The kinds of a source, in the order in which people think of them. */
export function kindCounts(
  { preview }: Pick<BringOverView, 'preview'>,
  isTaken: (key: IncomingKey) => boolean,
): readonly KindCount[] {
  const counts = new Map<string, { total: number; taken: number; open: IncomingKey[] }>();
  for (const thing of preview.things) {
    if (thing.kind === 'module' || thing.kind === 'heading') continue;
    const kind = kindOf(thing);
    const count = counts.get(kind) ?? { total: 0, taken: 0, open: [] };
    count.total += 1;
    if (isTaken(thing.key)) count.taken += 1;
    if (thing.proposed) count.open.push(thing.key);
    counts.set(kind, count);
  }
  const rank = (kind: string) => (kindOrder.includes(kind) ? kindOrder.indexOf(kind) : kindOrder.length);
  return [...counts].map(([kind, count]) => ({ kind, ...count })).sort((a, b) => rank(a.kind) - rank(b.kind));
}

import { linkGraphOf } from '@/core/links/graph';
import type { Item, ItemKind, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { LocalDateTime } from '@/core/dates/local-date';
import { Openings, type Closed } from './openings';
import { Reach, type DeadEnd } from './reach';
import type { Spans } from './spans';
import { termStrip, type StripWeek } from './term-strip';

/** One item as students meet it. */
export interface EyeLine {
  readonly ref: string;
  readonly kind: ItemKind;
  readonly title: string;
  readonly depth: number;
  /** It is reached from the outline, by an announcement or as the home page; else by links alone. */
  readonly direct: boolean;
  /** When a student gets there. */
  readonly spans: Spans;
  readonly closed: Closed | null;
  readonly due: LocalDateTime | null;
  /** It is for some groups only. */
  readonly forGroups: boolean;
}

/** A dead end with the words for both of its ends. */
export interface EyeDeadEnd extends DeadEnd {
  readonly fromTitle: string;
  readonly toTitle: string;
}

/** So many dead ends are listed, as of one check’s findings; a list of a hundred thousand helps nobody. */
export const mostDeadEnds = 10_000;

/** The shell as a student reaches it, for every moment at once. */
export interface StudentsEye {
  readonly lines: readonly EyeLine[];
  readonly deadEnds: readonly EyeDeadEnd[];
  /** How many more there are; missing where all are listed. */
  readonly unlistedDeadEnds?: number;
  readonly strip: readonly StripWeek[];
  /** Files that staff alone may read. */
  readonly staffFiles: readonly string[];
}

/** What students get of a shell: every item with the times at which it is reached, dead ends, the weeks of the term. */
export function studentsEye(shell: Shell): StudentsEye {
  const outline = outlineOf(shell);
  const openings = new Openings(shell);
  const homes = new Set<string>(shell.homePages.filter(({ inUse }) => inUse === true).map(({ ref }) => ref));
  const isDirect = (item: Item) => item.placed || item.kind === 'announcement' || homes.has(item.ref);
  const reach = new Reach(shell, linkGraphOf(shell), openings, isDirect);
  const lines = shell.items.map((item): EyeLine => ({
    ref: item.ref,
    kind: homes.has(item.ref) ? 'home-page' : item.kind,
    title: item.title,
    depth: item.placed ? outline.ancestors(item).length : 0,
    direct: isDirect(item),
    spans: reach.of(item),
    closed: openings.of(item).closed,
    due: item.due,
    forGroups: item.groups.length > 0,
  }));
  const seen = shell.items.filter((item) => reach.of(item).length > 0);
  return {
    lines,
    ...listedDeadEnds(reach.deadEnds, outline.byRef),
    strip: termStrip(shell, seen),
    staffFiles: shell.files.filter(({ readableBy }) => readableBy === 'staff').map(({ path }) => path),
  };
}

function listedDeadEnds(
  all: readonly DeadEnd[],
  byRef: ReadonlyMap<string, Item>,
): Pick<StudentsEye, 'deadEnds' | 'unlistedDeadEnds'> {
  const deadEnds = all.slice(0, mostDeadEnds).map((end) => withTitles(end, byRef));
  return all.length > mostDeadEnds ? { deadEnds, unlistedDeadEnds: all.length - mostDeadEnds } : { deadEnds };
}

function withTitles(end: DeadEnd, byRef: ReadonlyMap<string, Item>): EyeDeadEnd {
  const { from, to } = end;
  return {
    ...end,
    fromTitle: byRef.get(from)?.title ?? from,
    toTitle: to.type === 'item' ? (byRef.get(to.ref)?.title ?? to.ref) : to.ref,
  };
}

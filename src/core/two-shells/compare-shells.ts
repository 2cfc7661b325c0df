import { eventWordDifferences, shownDifferences, spellMoment, wordDifferences } from '@/core/add/differences';
import { incomingTypes, type IncomingType } from '@/core/add/incoming';
import { contentKeys } from '@/core/compare/content-keys';
import { linkGraphOf } from '@/core/links/graph';
import type { CourseEvent, Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { dateOf, daysBetween, type LocalDateTime } from '@/core/dates/local-date';
import { changeKinds, type Change, type ChangeKind } from './change';
import { otherOrders } from './other-orders';
import { pairThings, type Pairs } from './pairs';
import type { Held } from '@/core/add/verdict';
import { withoutWrappers } from '@/core/add/wrapper';

/** What became of the other shell’s things in this one. */
export interface ShellComparison {
  readonly counts: Readonly<Record<ChangeKind, number>>;
  /** Things that are the same in every way that is compared. */
  readonly same: number;
  /** By kind, within it as this shell orders them. */
  readonly changes: readonly Change[];
  /** The siblings of each module that stand in another order, as the other shell orders them. */
  readonly orders: readonly (readonly string[])[];
}

/** Compares this shell with another, the one that it was copied from, say: what is missing, new, changed, re-dated, moved. */
export function compareShells(wholeOther: Shell, wholeHere: Shell): ShellComparison {
  const [other, here] = withoutWrappers(wholeOther, wholeHere);
  const pairs = pairThings(other, here);
  const orders = otherOrders(other, here, pairs);
  const changes = [
    ...missingHere(other, pairs),
    ...pairs.things.flatMap((thing) => onlyHere(here, pairs, thing)),
    ...itemChanges(other, here, pairs),
    ...eventChanges(other, here, pairs),
    ...otherChanges(pairs),
    ...orders.flatMap((order) => order.changes),
  ];
  const ordered = changeKinds.flatMap((kind) => changes.filter((change) => change.kind === kind));
  const counts = Object.fromEntries(
    changeKinds.map((kind) => [kind, ordered.filter((change) => change.kind === kind).length]),
  ) as Record<ChangeKind, number>;
  const changed = new Set(
    changes.flatMap(({ kind, type, ref }) => (kind === 'gone' ? [] : [`${type} ${ref}`])),
  );
  return {
    counts,
    same: pairs.things.length - changed.size,
    changes: ordered,
    orders: orders.map(({ wanted }) => wanted),
  };
}

interface Named {
  readonly ref: string;
  readonly title: string;
}
const thingsOf = (shell: Shell, type: IncomingType): readonly Named[] => {
  switch (type) {
    case 'item':
      return shell.items;
    case 'file':
      return shell.files.map(({ path }) => ({ ref: path, title: path }));
    case 'event':
      return shell.events;
    case 'gradeCategory':
      return shell.gradeCategories;
    case 'gradeColumn':
      return shell.gradeColumns;
    case 'bank':
      return shell.banks;
  }
};

const nothingMore = { other: null, says: [], days: null, path: [] } as const;

function missingHere(other: Shell, pairs: Pairs): Change[] {
  const outline = outlineOf(other);
  return incomingTypes.flatMap((type) =>
    thingsOf(other, type)
      .filter(({ ref }) => pairs.hereOf(type, ref) === undefined)
      .map(({ ref, title }): Change => {
        const item = type === 'item' ? outline.byRef.get(ref as Item['ref']) : undefined;
        return { ...nothingMore, kind: 'gone', type, ref, title, path: item ? outline.path(item) : [] };
      }),
  );
}

function onlyHere(here: Shell, pairs: Pairs, { type, ref, title, counterpart }: Held): Change[] {
  if (pairs.otherOf(type, ref) !== undefined) return [];
  const outline = outlineOf(here);
  const item = type === 'item' ? outline.byRef.get(ref as Item['ref']) : undefined;
  const says = counterpart ? [`the same as “${counterpart.title}”, which stands there once`] : [];
  return [{ ...nothingMore, kind: 'added', type, ref, title, says, path: item ? outline.path(item) : [] }];
}

function itemChanges(other: Shell, here: Shell, pairs: Pairs): Change[] {
  const [outline, otherOutline] = [outlineOf(here), outlineOf(other)];
  const keys = contentKeys(here, linkGraphOf(here));
  const otherKeys = contentKeys(other, linkGraphOf(other));
  const contents = new Map(here.contents.map((content) => [content.id as string | null, content]));
  const otherContents = new Map(other.contents.map((content) => [content.id as string | null, content]));
  return here.items.flatMap((item): Change[] => {
    const was = otherOutline.byRef.get(pairs.otherOf('item', item.ref) as Item['ref']);
    if (!was) return [];
    const isSame = keys.of(item) === otherKeys.of(was) || keys.looseOf(item) === otherKeys.looseOf(was);
    const [there, now] = [otherContents.get(was.content), contents.get(item.content)];
    const about = {
      type: 'item',
      ref: item.ref,
      other: was.ref,
      title: item.title,
      path: outline.path(item),
    } as const;
    const says = [...wordDifferences(was, item, there, now, isSame), ...shownDifferences(was, item)];
    const moves = movesOf(was, item, pairs, { outline, otherOutline });
    const dates = dateChanges(was, item);
    return [
      ...(says.length > 0 ? [{ ...about, kind: 'changed', says, days: null } as const] : []),
      ...(dates.says.length > 0 ? [{ ...about, kind: 're-dated', ...dates } as const] : []),
      ...(moves.length > 0 ? [{ ...about, kind: 'moved', says: moves, days: null } as const] : []),
    ];
  });
}

interface Outlines {
  readonly outline: ReturnType<typeof outlineOf>;
  readonly otherOutline: ReturnType<typeof outlineOf>;
}

/** Where an item stood and stands, where that is not the same place. */
function movesOf(was: Item, item: Item, pairs: Pairs, { outline, otherOutline }: Outlines): string[] {
  if (was.placed !== item.placed)
    return [item.placed ? 'placed; it stood outside the outline' : 'outside the outline; it was placed'];
  if (!item.placed) return [];
  const expected = was.parent === null ? null : pairs.hereOf('item', was.parent);
  if (expected === item.parent) return [];
  const [from, to] = [otherOutline.path(was).at(-1), outline.path(item).at(-1)];
  return [`in ${quoted(to)} instead of ${quoted(from)}`];
}

const quoted = (title: string | undefined): string => (title === undefined ? 'the top level' : `“${title}”`);

function dateChanges(was: Item, item: Item): Pick<Change, 'says' | 'days'> {
  const moved = (['opens', 'due', 'closes'] as const).flatMap((which) => {
    const [from, to] = [was[which], item[which]];
    return from === to ? [] : [{ which, from, to }];
  });
  return {
    says: moved.map(({ which, from, to }) => `${which} ${spellDay(to)} instead of ${spellDay(from)}`),
    days: oneShift(moved),
  };
}

const spellDay = (when: LocalDateTime | null): string => (when === null ? 'no date' : spellMoment(when));

/** The number of days by which all of these moved; null where they did not move alike. */
function oneShift(
  moves: readonly { readonly from: LocalDateTime | null; readonly to: LocalDateTime | null }[],
): number | null {
  const shifts = new Set(
    moves.map(({ from, to }) => (from && to ? daysBetween(dateOf(from), dateOf(to)) : null)),
  );
  const [only = null] = shifts;
  return shifts.size === 1 ? only : null;
}

function eventChanges(other: Shell, here: Shell, pairs: Pairs): Change[] {
  const others = new Map<string, CourseEvent>(other.events.map((event) => [event.ref, event]));
  return here.events.flatMap((event): Change[] => {
    const was = others.get(pairs.otherOf('event', event.ref) ?? '');
    if (!was) return [];
    const about = { type: 'event', ref: event.ref, other: was.ref, title: event.title, path: [] } as const;
    const says = eventWordDifferences(was, event).flat();
    const isMoved = was.start !== event.start || was.end !== event.end;
    const days = oneShift([{ from: was.start, to: event.start }]);
    const moved = `${spellMoment(event.start)} instead of ${spellMoment(was.start)}`;
    return [
      ...(says.length > 0 ? [{ ...about, kind: 'changed', says, days: null } as const] : []),
      ...(isMoved ? [{ ...about, kind: 're-dated', says: [moved], days } as const] : []),
    ];
  });
}

/** Files, grade setup and banks that are there under the same name and differ. */
function otherChanges(pairs: Pairs): Change[] {
  return pairs.things.flatMap((thing): Change[] => {
    const { type, ref, title, differences: says } = thing;
    const other = pairs.otherOf(type, ref);
    if (type === 'item' || type === 'event' || other === undefined || says.length === 0) return [];
    return [{ kind: 'changed', type, ref, other, title, path: [], says, days: null }];
  });
}

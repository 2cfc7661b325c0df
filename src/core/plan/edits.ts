import type { Shell } from '@/core/shell/model';

/** The lists of a shell that edits change. */
export type ListName =
  | 'items'
  | 'contents'
  | 'files'
  | 'entries'
  | 'events'
  | 'gradeCategories'
  | 'gradeColumns'
  | 'banks'
  | 'groups'
  | 'homePages';

type ThingOf<N extends ListName> = Shell[N][number];

/**
 * The smallest changes a step is made of. Each knows what it replaces, so its inverse is mechanical.
 * `at` are places in the list that holds the things: before a removal, after an insertion; ascending.
 */
export type Edit =
  | { [N in ListName]: EditOf<N> }[ListName]
  | { readonly op: 'calendar'; readonly before: Shell['calendar']; readonly after: Shell['calendar'] };
type EditOf<N extends ListName> =
  | {
      readonly op: 'remove' | 'insert';
      readonly list: N;
      readonly at: readonly number[];
      readonly things: readonly ThingOf<N>[];
    }
  | {
      readonly op: 'replace';
      readonly list: N;
      readonly at: number;
      readonly before: ThingOf<N>;
      readonly after: ThingOf<N>;
    };

export function invertEdits(edits: readonly Edit[]): Edit[] {
  return [...edits].reverse().map((edit): Edit => {
    if (edit.op === 'replace' || edit.op === 'calendar')
      return { ...edit, before: edit.after, after: edit.before } as Edit;
    return { ...edit, op: edit.op === 'remove' ? 'insert' : 'remove' } as Edit;
  });
}

/** Applies edits in order; throws where a shell is not the one they were made for. */
export function applyEdits(shell: Shell, edits: readonly Edit[]): Shell {
  const changed: Partial<Record<ListName, unknown[]>> = {};
  const listOf = (name: ListName) => (changed[name] ??= [...(shell[name] as readonly unknown[])]);
  let calendar = shell.calendar;
  for (const edit of edits) {
    if (edit.op === 'calendar') {
      calendar = edit.after;
      continue;
    }
    const list = listOf(edit.list);
    switch (edit.op) {
      case 'replace':
        if (edit.at >= list.length)
          throw new Error(`edit of ${edit.list} ${edit.at} does not fit this shell`);
        list[edit.at] = edit.after;
        break;
      case 'remove': {
        const going = new Set(edit.at);
        changed[edit.list] = list.filter((_, i) => !going.has(i));
        break;
      }
      case 'insert': {
        const made: unknown[] = new Array(list.length + edit.at.length);
        const places = new Map(edit.at.map((place, k) => [place, edit.things[k]]));
        let next = 0;
        for (let i = 0; i < made.length; i += 1) made[i] = places.has(i) ? places.get(i) : list[next++];
        changed[edit.list] = made;
        break;
      }
    }
  }
  return { ...shell, ...changed, calendar } as Shell;
}

/** Removes the things that a test picks out of one list; null where it picks none. */
export function removal<N extends ListName>(
  shell: Shell,
  list: N,
  picks: (thing: ThingOf<N>) => boolean,
): Edit | null {
  const at: number[] = [];
  const things: ThingOf<N>[] = [];
  (shell[list] as readonly ThingOf<N>[]).forEach((thing, i) => {
    if (picks(thing)) {
      at.push(i);
      things.push(thing);
    }
  });
  return at.length ? ({ op: 'remove', list, at, things } as Edit) : null;
}

/** Replaces the things of one list for which `change` gives another value. */
export function replacements<N extends ListName>(
  shell: Shell,
  list: N,
  change: (thing: ThingOf<N>) => ThingOf<N>,
): Edit[] {
  const edits: Edit[] = [];
  (shell[list] as readonly ThingOf<N>[]).forEach((before, at) => {
    const after = change(before);
    if (after !== before) edits.push({ op: 'replace', list, at, before, after } as unknown as Edit);
  });
  return edits;
}

/** The edits that turn one order of the items into another: what both begin and end with stays untouched. */
export function rearranged(shell: Shell, next: Shell['items']): Edit[] {
  const now = shell.items;
  let head = 0;
  while (head < now.length && head < next.length && now[head] === next[head]) head += 1;
  let tail = 0;
  while (
    tail < now.length - head &&
    tail < next.length - head &&
    now[now.length - 1 - tail] === next[next.length - 1 - tail]
  )
    tail += 1;
  const old = now.slice(head, now.length - tail);
  const made = next.slice(head, next.length - tail);
  const places = (n: number) => Array.from({ length: n }, (_, k) => head + k);
  return [
    ...(old.length ? [{ op: 'remove', list: 'items', at: places(old.length), things: old } as const] : []),
    ...(made.length ? [{ op: 'insert', list: 'items', at: places(made.length), things: made } as const] : []),
  ];
}

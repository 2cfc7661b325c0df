import type { Shell } from '@/core/shell/model';

/** The lists of a shell that edits change. */
export const listNames = [
  'items',
  'contents',
  'files',
  'entries',
  'events',
  'gradeCategories',
  'gradeColumns',
  'banks',
  'groups',
  'homePages',
] as const;
export type ListName = (typeof listNames)[number];
export type ThingOf<N extends ListName> = Shell[N][number];

/** What a shell says of itself as a whole and an edit may change. */
export const factNames = ['code', 'title', 'term', 'calendar'] as const;
export type FactName = (typeof factNames)[number];
export type Facts = Partial<Pick<Shell, FactName>>;

/** A thing and the one that stands before it in its list; null at the head. */
export interface PlacedThing<N extends ListName> {
  readonly after: string | null;
  readonly thing: ThingOf<N>;
}

/**
 * The smallest changes that a step comes to. Each names things by their refs and says what it replaces, so that it is
 * refused where that is not there, and its inverse is mechanical. `before` and `after` of a change hold the fields that
 * differ and no others.
 */
export type Edit = { [N in ListName]: ListEdit<N> }[ListName] | FactsEdit;
export type ListEdit<N extends ListName> =
  | { readonly op: 'remove' | 'insert'; readonly list: N; readonly things: readonly PlacedThing<N>[] }
  | {
      readonly op: 'change';
      readonly list: N;
      readonly ref: string;
      readonly before: Partial<ThingOf<N>>;
      readonly after: Partial<ThingOf<N>>;
    }
  /** A stretch of the list, refs in order, that stands in another order afterwards. */
  | {
      readonly op: 'order';
      readonly list: N;
      readonly before: readonly string[];
      readonly after: readonly string[];
    };
export interface FactsEdit {
  readonly op: 'facts';
  readonly before: Facts;
  readonly after: Facts;
}

/** What a thing goes by in its list. */
export function keyOf(thing: ThingOf<ListName>): string {
  if ('ref' in thing) return thing.ref;
  return 'path' in thing ? thing.path : thing.id;
}

/** The edits that take edits back, in the order to apply them. */
export const invertEdits = (edits: readonly Edit[]): Edit[] => [...edits].reverse().map(invertEdit);

function invertEdit(edit: Edit): Edit {
  switch (edit.op) {
    case 'remove':
      return { ...edit, op: 'insert' };
    case 'insert':
      return { ...edit, op: 'remove' };
    case 'change':
    case 'order':
    case 'facts':
      return { ...edit, before: edit.after, after: edit.before } as Edit;
  }
}

import { entryOf } from '@/core/entries';
import equal from 'fast-deep-equal';
import { keyOf, listNames, type ListName, type ThingOf } from '@/core/edits/edit';
import type { Shell } from '@/core/shell/model';

/** One thing that is not as the rehearsal said. */
export interface Difference {
  readonly ref: string;
  readonly title: string;
  /** A sentence without its end. */
  readonly what: string;
}

const listWords: Readonly<Record<ListName, string>> = {
  items: 'item',
  contents: 'content',
  files: 'file',
  entries: 'part',
  events: 'event',
  gradeCategories: 'grade category',
  gradeColumns: 'grade column',
  banks: 'question bank',
  groups: 'group',
  homePages: 'home page',
};

const fieldWords: Readonly<Record<string, string>> = {
  shown: 'whether it is shown',
  parent: 'its place',
  texts: 'its text',
  text: 'its text',
  source: 'its entry',
  due: 'its due date',
};

/** In what a shell differs from what was expected, thing by thing, and last whether things stand in another order. */
export function differencesOf(expected: Shell, found: Shell): Difference[] {
  return listNames.flatMap((list) => listDifferences(list, expected[list], found[list]));
}

function listDifferences<N extends ListName>(
  list: N,
  expected: readonly ThingOf<N>[],
  found: readonly ThingOf<N>[],
): Difference[] {
  const differences: Difference[] = [];
  const there = new Map(found.map((thing) => [keyOf(thing), thing]));
  for (const thing of expected) {
    const now = there.get(keyOf(thing));
    there.delete(keyOf(thing));
    if (now === undefined)
      differences.push(differenceOf(thing, `this ${listWords[list]} is gone, though it should be there`));
    else if (!equal(now, thing))
      differences.push(differenceOf(now, `${fieldsThatDiffer(thing, now)} differs`));
  }
  for (const thing of there.values())
    differences.push(differenceOf(thing, `this ${listWords[list]} is there, though nobody expected it`));
  if (differences.length === 0 && expected.some((thing, at) => keyOf(thing) !== keyOf(found[at] ?? thing)))
    differences.push({
      ref: '',
      title: '',
      what: `each ${listWords[list]} is right, but they stand in another order`,
    });
  return differences;
}

function fieldsThatDiffer(expected: object, found: object): string {
  const [was, now] = [expected as Record<string, unknown>, found as Record<string, unknown>];
  const names = Object.keys(was).filter((name) => !equal(entryOf(was, name), entryOf(now, name)));
  return names.map((name) => entryOf(fieldWords, name) ?? `its ${name}`).join(', ');
}

const differenceOf = (thing: ThingOf<ListName>, what: string): Difference => ({
  ref: keyOf(thing),
  title: 'title' in thing && thing.title ? thing.title : keyOf(thing),
  what,
});

import { incomingKey, type IncomingThing, type Standing } from '@/core/add/incoming';
import { toggled } from '../marks/toggled';
import { everyStanding, sayChoice, tickOf, treeRows } from './tree-model';

const thing = (
  ref: string,
  standing: Standing,
  parent: string | null = null,
  type: IncomingThing['type'] = 'item',
): IncomingThing => ({
  key: incomingKey(type, ref),
  type,
  ref,
  kind: type,
  title: ref,
  parent: parent === null ? null : incomingKey('item', parent),
  standing,
  counterpart: null,
  differences: [],
  proposed: false,
  leftOut: null,
});
const things = [
  thing('m', 'there'),
  thing('a', 'new', 'm'),
  thing('b', 'doubled', 'm'),
  thing('n', 'new'),
  thing('c', 'there', 'n'),
  thing('f', 'new', null, 'file'),
  thing('e', 'there', null, 'event'),
];
const rows = (shown: ReadonlySet<Standing>) =>
  treeRows({ things }, shown).map((r) =>
    r.row === 'section' ? `= ${r.title} ${r.things.length}` : `${'-'.repeat(r.depth)} ${r.thing.ref}`,
  );

test('sections, and the outline as a tree', () => {
  expect(rows(everyStanding)).toEqual([
    '= Outline 5',
    '- m',
    '-- a',
    '-- b',
    '- n',
    '-- c',
    '= Events 1',
    '- e',
    '= Files 1',
    '- f',
  ]);
});
test('only what is new, with the modules that hold it', () => {
  expect(rows(new Set(['new']))).toEqual(['= Outline 2', '- m', '-- a', '- n', '= Files 1', '- f']);
  // A module's box ticks what is on the screen below it, not what the filter hides.
  const m = treeRows({ things }, new Set(['new'])).find((r) => r.key === 'item m');
  expect(m?.row === 'thing' && m.below).toEqual(['item m', 'item a']);
});
test('boxes of modules follow what is below them', () => {
  const keys = [incomingKey('item', 'm'), incomingKey('item', 'a')];
  const one = new Set([keys[1]!]);
  expect([
    tickOf(keys, new Set()),
    tickOf(keys, one),
    tickOf(keys, toggled(one, keys)),
    tickOf(keys, toggled(new Set(keys), keys)),
  ]).toEqual(['none', 'some', 'all', 'none']);
});
test('a choice in words', () => {
  expect(
    sayChoice([incomingKey('item', 'a'), incomingKey('item', 'b'), incomingKey('gradeCategory', 'k')]),
  ).toBe('2 items, 1 grade category');
  expect(sayChoice([])).toBe('nothing');
});

import { incomingKey, type IncomingThing } from '@/core/add/incoming';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import {
  hintsByKey,
  kindCounts,
  lookWanted,
  sourceRows,
  wholeSource,
  type SourceFilter,
} from './source-rows';
import { everyStanding, treeRows } from '../add/tree-model';
import { spellShortMoment } from './spell-short';
import { proposedKeys } from './use-bringing';

const thing = (ref: string, over: Partial<IncomingThing> = {}): IncomingThing => {
  const type = over.type ?? 'item';
  return {
    key: incomingKey(type, ref),
    type,
    ref,
    kind: 'page',
    title: ref,
    parent: null,
    standing: 'new',
    counterpart: null,
    differences: [],
    proposed: true,
    leftOut: null,
    ...over,
  };
};
const inWeek = { parent: incomingKey('item', 'Week 1') };
const view = {
  preview: {
    things: [
      thing('Week 1', { kind: 'module', proposed: false }),
      thing('Gauge', inWeek),
      thing('Quiz', { ...inWeek, kind: 'quiz' }),
      thing('Key', { ...inWeek, proposed: false, leftOut: 'key' }),
      thing('Loose'),
      thing('map.png', { type: 'file', kind: 'image/png' }),
    ],
    counts: { new: 6, there: 0, differs: 0, doubled: 0 },
    needs: { 'item Gauge': [{ key: incomingKey('file', 'map.png'), why: 'a picture or file on it' }] },
    hints: [
      { key: incomingKey('item', 'Loose'), check: 'duplicate.same-content', says: 'a copy', isDoubt: true },
      { key: incomingKey('item', 'Key'), check: 'visibility.exposed-key', says: 'answer key', isDoubt: true },
      {
        key: incomingKey('item', 'Quiz'),
        check: 'duplicate.near-content',
        says: 'nearly a copy',
        isDoubt: false,
      },
    ],
  },
} as const satisfies Pick<BringOverView, 'preview'>;

const titles = (filter: Partial<SourceFilter>, chosen: readonly string[] = []) =>
  sourceRows(
    view,
    treeRows(view.preview, everyStanding),
    { ...wholeSource, ...filter },
    (key) => chosen.includes(key),
    lookWanted(view),
  ).map((row) => (row.row === 'section' ? row.title : row.thing.title));

test('all of a source stands in its order, by sort', () => {
  expect(titles({})).toEqual(['Outline', 'Week 1', 'Gauge', 'Quiz', 'Key', 'Loose', 'Files', 'map.png']);
});

test('what is filtered stands under its module, and a sort of which nothing is left goes', () => {
  expect(titles({ text: 'gau' })).toEqual(['Outline', 'Week 1', 'Gauge']);
  expect(titles({ only: 'look' })).toEqual(['Outline', 'Week 1', 'Key', 'Loose']);
  expect(titles({ only: 'chosen' }, ['item Quiz', 'file map.png'])).toEqual([
    'Outline',
    'Week 1',
    'Quiz',
    'Files',
    'map.png',
  ]);
  expect(titles({ text: 'nothing is called so' })).toEqual([]);
});

test('what is folded hides what is in it', () => {
  expect(titles({ folded: new Set(['item Week 1']) })).toEqual([
    'Outline',
    'Week 1',
    'Loose',
    'Files',
    'map.png',
  ]);
  expect(titles({ folded: new Set(['section Outline']) })).toEqual(['Outline', 'Files', 'map.png']);
});

test('kinds are counted with what is taken of them; modules and headings are none', () => {
  const counts = kindCounts(view, (key) => key === 'item Gauge').map(({ kind, total, taken, open }) => [
    kind,
    total,
    taken,
    open.length,
  ]);
  expect(counts).toEqual([
    ['page', 3, 1, 2],
    ['quiz', 1, 0, 1],
    ['file', 1, 0, 1],
  ]);
});

test('a thing says what the checks know of it, whether they doubt it or not', () => {
  expect(hintsByKey(view).get(incomingKey('item', 'Quiz'))).toEqual(['nearly a copy']);
});

test('proposed is what no check says anything of; what only serves others comes with them', () => {
  expect([...proposedKeys(view)]).toEqual(['item Gauge', 'item Quiz']);
});

test('a day stands in a row with its weekday and its year', () => {
  expect(spellShortMoment('2027-01-29T23:59:00')).toBe('Fri 29 Jan 2027');
  expect(spellShortMoment('2025-09-07')).toBe('Sun 7 Sep 2025');
  expect(spellShortMoment('nothing')).toBe('nothing');
});

import { differencesFrom, type Compared } from './differences';

const page: Compared = {
  text: 'Read the gauge before noon.',
  links: ['files/map.pdf', 'https://water.example/gauge'],
  points: 10,
  opens: null,
  closes: null,
  due: '2027-02-01T23:59:59',
};
const nothing = {
  words: { missing: 0, added: 0 },
  links: { missing: [], added: [] },
  points: null,
  dates: [],
};

test.each([
  ['nothing', {}, nothing],
  [
    'the same words and other links',
    { links: ['files/map-2.pdf', 'https://water.example/gauge'] },
    { ...nothing, links: { missing: ['files/map.pdf'], added: ['files/map-2.pdf'] } },
  ],
  [
    'two words for one',
    { text: 'Read the gauge at about noon.' },
    { ...nothing, words: { missing: 1, added: 2 } },
  ],
  ['points', { points: 5 }, { ...nothing, points: { from: 10, to: 5 } }],
  [
    'dates',
    { due: null, opens: '2027-01-11T00:00:00' },
    {
      ...nothing,
      dates: [
        { what: 'opens', from: null, to: '2027-01-11T00:00:00' },
        { what: 'due', from: '2027-02-01T23:59:59', to: null },
      ],
    },
  ],
])('%s differ', (_, change: Partial<Compared>, differences) =>
  expect(differencesFrom(page, { ...page, ...change })).toEqual(differences),
);

test('a link that stands twice is one', () =>
  expect(differencesFrom({ ...page, links: [] }, page).links.added).toHaveLength(2));

import { keepOne } from '@/core/checks/check/remedies';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { hand, runWritten } from '@/core/plan/__tests__/written-plans';
import { keepAnother } from './keep-another';

const subject = (ref: string) => ({ type: 'item' as const, ref, title: `Page ${ref}`, path: [] });

/** Three pages that say the same, and one that links to each of them. */
function alike() {
  const composer = new ShellComposer();
  for (const name of ['a', 'b', 'c'])
    composer.page(`Page ${name}`, '<p>Read the staff gauge.</p>', { ref: name, path: `${name}.html` });
  composer.page('Links', '<a href="a.html">a</a><a href="b.html">b</a><a href="c.html">c</a>', {
    ref: 'links',
    path: 'links.html',
  });
  return composer;
}
const finding = {
  subjects: ['a', 'b', 'c'].map(subject),
  keep: 'a',
  remedy: keepOne('a', ['b', 'c'], 'safe'),
};

describe('another of several alike things stays', () => {
  test('each of those that would go may stay instead, with its words', () => {
    const ways = keepAnother(alike().shell(), finding);
    expect(ways.map(({ keeps, label }) => [keeps, label])).toEqual([
      ['b', 'Keep “Page b” instead, delete 2'],
      ['c', 'Keep “Page c” instead, delete 2'],
    ]);
  });

  test('every link leads to the one that stays', () => {
    const shell = alike().shell();
    const way = keepAnother(shell, finding).find(({ keeps }) => keeps === 'b');
    if (!way) throw new Error('b can’t stay');
    const { after } = runWritten(shell, [hand(way.step.action, way.step.targets, way.step.params)]);
    expect(after.items.map((item) => item.ref)).toEqual(['b', 'links']);
    const links = after.contents.find((content) => content.textPath === 'links.html');
    expect(links?.texts[0]?.match(/href="[^"]*"/g)).toEqual(Array(3).fill('href="b.html"'));
  });

  test('another place of what stays does not go', () => {
    const shell = alike().shell();
    const first = shell.items.find((item) => item.ref === 'b');
    if (!first) throw new Error('there is no b');
    const twice = {
      ...shell,
      items: shell.items.map((i) => (i.ref === 'c' ? { ...i, content: first.content } : i)),
    };
    const way = keepAnother(twice, finding).find(({ keeps }) => keeps === 'b');
    expect(way?.step.targets).toEqual(['a']);
  });

  test('merged categories may be merged into another', () => {
    const shell = alike().shell();
    const remedy = {
      action: 'merge',
      targets: ['y'],
      params: { with: { y: 'x' } },
      kind: 'judgement',
    } as const;
    expect(keepAnother(shell, { subjects: [], keep: 'x', remedy })).toEqual([
      {
        label: 'Keep “y” instead, merge 1',
        keeps: 'y',
        step: { action: 'merge', targets: ['x'], params: { with: { x: 'y' } } },
      },
    ]);
  });

  test.each([
    ['nothing stays', { ...finding, keep: null }],
    ['there is no remedy', { ...finding, remedy: null }],
    [
      'links lead to several things',
      { ...finding, remedy: { ...finding.remedy, params: { relink: { b: 'a', c: 'b' } } } },
    ],
    [
      'there are very many',
      {
        ...finding,
        remedy: keepOne(
          'a',
          Array.from({ length: 40 }, (_, n) => `x${n}`),
          'safe',
        ),
      },
    ],
  ])('none where %s', (_, other) => {
    expect(keepAnother(alike().shell(), other)).toEqual([]);
  });
});

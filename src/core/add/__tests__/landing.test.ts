import { shellRef } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { addSo, linesOf, spring } from './add-so';

describe('where things land', () => {
  const weeks = (...lines: readonly string[]): Shell => {
    const c = new ShellComposer({ ref: shellRef(lines.join(' ')), term: spring });
    const parents: string[] = [];
    for (const line of lines) {
      const depth = (line.length - line.trimStart().length) / 2;
      const title = line.trim();
      const parent = parents[depth - 1] ?? null;
      const isModule = /^(Week|Unit|Lab|Extra|Course)/.test(title);
      if (isModule) parents[depth] = c.module(title, { ref: title, parent });
      else c.page(title, `<p>${title} says what nothing else here says.</p>`, { ref: title, parent });
    }
    return c.shell();
  };
  const landed = (
    shell: Shell,
    source: Shell,
    ...more: [Parameters<typeof addSo>[2]?, Parameters<typeof addSo>[3]?]
  ) => linesOf(addSo(shell, source, ...more).after);

  test('behind the last neighbour that is there, else before the first that follows, else at the end', () => {
    const source = weeks('Week 1', '  a', '  b', '  c', '  d');
    expect(landed(weeks('Week 1', '  a', '  d'), source)).toEqual(['Week 1', '  a', '  b', '  c', '  d']);
    expect(landed(weeks('Week 1', '  x', '  c'), source)).toEqual([
      'Week 1',
      '  x',
      '  a',
      '  b',
      '  c',
      '  d',
    ]);
    expect(landed(weeks('Week 1', '  x'), source)).toEqual(['Week 1', '  x', '  a', '  b', '  c', '  d']);
  });

  test('a new module that counts stands by its number, another at the end', () => {
    const source = weeks('Week 2', '  b', 'Extra', '  e', 'Unit 7', '  u');
    expect(landed(weeks('Week 1', '  a', 'Week 3', '  c', 'Later'), source)).toEqual([
      'Week 1',
      '  a',
      'Week 2',
      '  b',
      'Week 3',
      '  c',
      'Later',
      'Extra',
      '  e',
      'Unit 7',
      '  u',
    ]);
  });

  test('one module around everything is looked through, on either side', () => {
    const plain = weeks('Week 1', '  a', 'Week 2', '  b');
    const wrapped = weeks('Course', '  Week 1', '    a', '  Week 2', '    new', '  Week 3', '    c');
    expect(landed(plain, wrapped)).toEqual(['Week 1', '  a', 'Week 2', '  b', '  new', 'Week 3', '  c']);
    expect(landed(wrapped, plain)).toEqual([
      ...linesOf(wrapped).slice(0, 4),
      '    new',
      '    b',
      ...linesOf(wrapped).slice(5),
    ]);
    expect(landed(weeks(), wrapped)).toEqual(['Week 1', '  a', 'Week 2', '  new', 'Week 3', '  c']);
  });

  test('all to one place: what was named goes there alone, in its order', () => {
    const source = weeks('Unit 1', '  a', '  b', 'Unit 2', '  c');
    const target = weeks('Week 1', '  x', '  y');
    const named = { take: 'none', and: ['c', 'a'] } as const;
    expect(landed(target, source, named, { landing: { where: 'in', ref: 'Week 1' } })).toEqual([
      'Week 1',
      '  x',
      '  y',
      '  a',
      '  c',
    ]);
    expect(landed(target, source, named, { landing: { where: 'before', ref: 'y' } })).toEqual([
      'Week 1',
      '  x',
      '  a',
      '  c',
      '  y',
    ]);
    expect(landed(target, source, named, { landing: { where: 'after', ref: 'x' } })).toEqual([
      'Week 1',
      '  x',
      '  a',
      '  c',
      '  y',
    ]);
  });

  test('an emptied module never comes, and one that is empty comes where it was ticked', () => {
    const source = weeks('Week 1', '  a', 'Extra');
    expect(landed(weeks('Week 9', '  a'), source)).toEqual(['Week 9', '  a']);
    expect(landed(weeks('Week 9', '  a'), source, { and: ['Extra'] })).toEqual(['Week 9', '  a', 'Extra']);
    expect(landed(weeks('Week 9', '  a'), source, { and: ['Week 1'] })).toEqual(['Week 9', '  a']);
  });

  test('of two modules of one title in the source there is one afterwards', () => {
    const c = new ShellComposer({ ref: shellRef('twice'), term: spring });
    for (const page of ['a', 'b']) {
      c.module('Week 1', { ref: `week of ${page}` });
      c.page(page, `<p>${page} says what nothing else here says.</p>`, { parent: `week of ${page}` });
    }
    const source = c.shell();
    expect(landed(weeks(), source)).toEqual(['Week 1', '  a', '  b']);
    expect(addSo(addSo(weeks(), source).after, source).edits).toEqual([]);
  });
});

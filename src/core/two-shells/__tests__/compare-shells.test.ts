import fc from 'fast-check';
import { runWritten, hand } from '@/core/plan/__tests__/written-plans';
import { shells } from '@/core/plan/__tests__/random-shells';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { compareShells } from '../compare-shells';
import { longestRun } from '../longest-run';
import { otherOrders } from '../other-orders';
import { pairThings } from '../pairs';

const week = (c: ShellComposer, n: number) => {
  c.module(`Week ${n}`, { ref: `m${n}` });
  c.page(`Reading ${n}`, `<p>Reading number ${n} is about the stream in spring and its gauges.</p>`, {
    ref: `p${n}`,
    path: `p${n}.html`,
    parent: `m${n}`,
  });
  c.assignment(`Task ${n}`, `<p>Measure the stream at gauge ${n} and write down what you see.</p>`, 10, {
    ref: `t${n}`,
    parent: `m${n}`,
    due: `2027-02-0${n}T23:59:00` as never,
  });
};
const course = (): Shell => {
  const c = new ShellComposer();
  for (const n of [1, 2, 3]) week(c, n);
  return c.shell();
};
const changed = (other: Shell, here: Shell) =>
  compareShells(other, here).changes.map(({ kind, title, says }) => [kind, title, ...says].join(' | '));
const after = (shell: Shell, ...steps: Parameters<typeof hand>[]) =>
  runWritten(
    shell,
    steps.map((step) => hand(...step)),
  ).after;

describe('two shells', () => {
  it('that are the same differ in nothing, in a hundred generated ones', () => {
    fc.assert(
      fc.property(shells, (shell) => {
        expect(compareShells(shell, shell).changes).toEqual([]);
      }),
      { numRuns: 100, seed: 5 },
    );
  });

  it('are held together by every kind of change', () => {
    const shell = course();
    expect(changed(shell, after(shell, ['delete', ['t2']]))).toEqual(['gone | Task 2']);
    expect(changed(after(shell, ['delete', ['t2']]), shell)).toEqual(['added | Task 2']);
    expect(changed(shell, after(shell, ['rename', ['p1'], { titles: { p1: 'A first look' } }]))).toEqual([
      'changed | A first look | it is called “A first look” instead of “Reading 1”',
    ]);
    expect(changed(shell, after(shell, ['hide', ['p3']]))).toEqual([
      'changed | Reading 3 | hidden instead of shown',
    ]);
    expect(changed(shell, after(shell, ['move', ['p1'], { into: 'm2', before: 't2' }]))).toEqual([
      'moved | Reading 1 | in “Week 2” instead of “Week 1”',
    ]);
  });

  it('tell by how many days the dates moved', () => {
    const shell = course();
    const here = {
      ...shell,
      items: shell.items.map((i) => (i.due ? { ...i, due: i.due.replace('-02-', '-03-') as never } : i)),
    };
    const { changes, counts, same } = compareShells(shell, here);
    expect(counts).toMatchObject({ 're-dated': 3, changed: 0 });
    expect(same).toBe(6);
    expect(changes.map(({ days }) => days)).toEqual([28, 28, 28]);
    expect(changes[0]?.says).toEqual(['due 2027-03-01 23:59 instead of 2027-02-01 23:59']);
  });

  it('find the same under other identifiers, and what was copied twice', () => {
    const copy = new ShellComposer();
    const text = '<p>Reading number 1 is about the stream in spring and its gauges.</p>';
    copy.module('Week 1', { ref: 'x1' });
    copy.page('Reading 1', text, { ref: 'x2', path: 'copy/a.html', parent: 'x1' });
    copy.page('Reading 1', text, { ref: 'x3', path: 'copy/b.html', parent: 'x1' });
    const { changes, counts } = compareShells(course(), copy.shell());
    expect(counts).toMatchObject({ added: 1, changed: 0, moved: 0 });
    expect(changes.find(({ kind }) => kind === 'added')).toMatchObject({
      ref: 'x3',
      says: ['the same as “Reading 1”, which stands there once'],
    });
  });

  it('look through one module around everything, on either side, under other identifiers too', () => {
    const wrapped = (prefix: string): Shell => {
      const shell = course();
      const renamed = (ref: string | null) => (ref === null ? 'around' : `${prefix}${ref}`);
      const items = shell.items.map((item) => ({
        ...item,
        ref: renamed(item.ref) as never,
        parent: renamed(item.parent) as never,
      }));
      const c = new ShellComposer();
      c.module('HYD 1, all of it', { ref: 'around' });
      return { ...shell, items: [...c.shell().items, ...items] };
    };
    for (const prefix of ['', 'x-']) {
      expect(compareShells(course(), wrapped(prefix))).toMatchObject({ changes: [], same: 9 });
      expect(compareShells(wrapped(prefix), course())).toMatchObject({ changes: [], same: 9 });
      expect(compareShells(wrapped(prefix), wrapped('y-')).counts.gone).toBe(0);
    }
  });

  it('give the other’s order as a sort that leaves nothing in another order', () => {
    const shell = course();
    fc.assert(
      fc.property(
        fc.shuffledSubarray(['m1', 'm2', 'm3'], { minLength: 3 }),
        fc.boolean(),
        (modules, isTurned) => {
          const inside: Parameters<typeof hand>[] = isTurned ? [['sort', ['t1', 'p1']]] : [];
          const here = after(shell, ['sort', modules], ...inside);
          const orders = otherOrders(shell, here, pairThings(shell, here));
          const back = after(
            here,
            ...orders.map(({ wanted }): Parameters<typeof hand> => ['sort', [...wanted]]),
          );
          expect(compareShells(shell, back).changes).toEqual([]);
          const isSame = modules.join() === 'm1,m2,m3' && !isTurned;
          expect(compareShells(shell, here).counts.reordered > 0).toBe(!isSame);
        },
      ),
      { numRuns: 12 },
    );
  });
});

describe('the longest run', () => {
  const runsOf = (numbers: readonly number[]): number => {
    let most = 0;
    for (let mask = 0; mask < 2 ** numbers.length; mask += 1) {
      const part = numbers.filter((_, n) => (mask >> n) & 1);
      if (part.every((number, n) => n === 0 || number > (part[n - 1] ?? 0)))
        most = Math.max(most, part.length);
    }
    return most;
  };
  it('is as long as any that trying all of them finds, and increases', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(99), { maxLength: 9 }), (numbers) => {
        const run = numbers.filter((_, n) => longestRun(numbers).has(n));
        expect(run).toHaveLength(runsOf(numbers));
        expect(run).toEqual([...run].sort((a, b) => a - b));
      }),
    );
  });
});

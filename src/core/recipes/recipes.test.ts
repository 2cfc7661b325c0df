import { allChecks } from '@/core/checks/run/registry';
import { recipeState, type RecipeFacts } from './recipe';
import { recipeById, recipes } from './recipes';

const fresh: RecipeFacts = {
  isCombed: false,
  undecided: new Map(),
  fixFirst: 0,
  safe: 0,
  planSize: 0,
  runs: 0,
  inTheWay: 0,
  unchecked: 0,
  leftByReset: null,
};
const combed: RecipeFacts = { ...fresh, isCombed: true };
const nobody: ReadonlySet<string> = new Set();
const ready = recipeById('make-ready') ?? recipes[0]!;

describe('recipes', () => {
  it('name each step once, and only checks that there are', () => {
    const known = new Set<string>(allChecks.map(({ id }) => id));
    for (const { id, steps } of recipes) {
      expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
      expect(recipeById(id)?.steps).toBe(steps);
      for (const { at } of steps) {
        const check = new URLSearchParams(at.split('?')[1] ?? '').get('check');
        expect(check === null || known.has(check)).toBe(true);
      }
    }
    expect(recipeById('nowhere')).toBeNull();
  });

  it('say nothing is done of a shell that was not combed, however empty it is', () => {
    for (const recipe of recipes) expect(recipeState(recipe, fresh, nobody).done).not.toContain(true);
  });

  it('go on with the first step that is not done, in whatever order things were done', () => {
    expect(recipeState(ready, fresh, nobody).next?.id).toBe('comb');
    expect(recipeState(ready, { ...combed, fixFirst: 3 }, nobody).next?.id).toBe('fix-first');
    const late = { ...combed, undecided: new Map([['outdated.date-outside-term', 2]]) };
    expect(recipeState(ready, late, nobody).next?.id).toBe('re-date');
    expect(recipeState(ready, { ...combed, planSize: 4, runs: 1 }, nobody).next?.id).toBe('carry-out');
    const carriedOut = { ...combed, runs: 1 };
    expect(recipeState(ready, carriedOut, nobody).next?.id).toBe('as-student');
    expect(recipeState(ready, { ...carriedOut, inTheWay: 1 }, new Set(['as-student'])).next?.id).toBe(
      'opening-day',
    );
    expect(recipeState(ready, carriedOut, new Set(['as-student', 'sign'])).next).toBeNull();
  });

  it('tell a reset that left something from one that left nothing', () => {
    const slate = recipeById('clean-slate') ?? ready;
    const ticked = new Set(['keep-copy']);
    expect(recipeState(slate, combed, ticked).next?.id).toBe('reset');
    expect(recipeState(slate, { ...combed, leftByReset: 2 }, ticked).next?.id).toBe('empty');
    expect(recipeState(slate, { ...combed, leftByReset: 0 }, ticked).next?.id).toBe('as-student');
  });
});

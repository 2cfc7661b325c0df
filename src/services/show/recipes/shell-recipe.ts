import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { recipeState, type Recipe, type RecipeStep } from '@/core/recipes/recipe';
import { recipeById, recipes } from '@/core/recipes/recipes';
import { bad, good, type Result } from '@/core/shell/result';
import { shellRecipes } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { parseKept } from '@/services/keep/rows/parse-kept';
import { recipeFacts, type RecipeSubject } from './recipe-facts';

export interface RecipeLine extends Omit<RecipeStep, 'isDone'> {
  readonly isDone: boolean;
  /** Only the person can say that it is done. */
  readonly isTicked: boolean;
}
/** A shell’s recipe, step by step. */
export interface ShellRecipe {
  readonly id: string;
  readonly title: string;
  readonly lines: readonly RecipeLine[];
  readonly doneCount: number;
  /** The title of the first step that is not done; null where all are. */
  readonly next: string | null;
}
export interface RecipeView {
  readonly id: string;
  readonly code: string;
  readonly recipe: ShellRecipe | null;
  readonly choices: readonly {
    readonly id: string;
    readonly title: string;
    readonly when: string;
    readonly steps: number;
  }[];
}

export const recipeEditSchema = z.discriminatedUnion('edit', [
  z.strictObject({ edit: z.literal('choose'), recipe: z.string() }),
  z.strictObject({ edit: z.literal('tick'), step: z.string(), isDone: z.boolean() }),
  z.strictObject({ edit: z.literal('end') }),
]);
type RecipeEdit = z.output<typeof recipeEditSchema>;

export function recipeView(folder: OpenFolder, shell: CurrentShell): RecipeView {
  const { row, audit, plan } = shell;
  const subject = { id: row.id, code: row.code, planSize: plan.size, audit };
  return {
    id: row.id,
    code: row.code || row.title,
    recipe: shellRecipe(folder, subject),
    choices: recipes.map(({ id, title, when, steps }) => ({ id, title, when, steps: steps.length })),
  };
}

/** The recipe that a shell is worked through; null where none was chosen. */
export function shellRecipe(folder: OpenFolder, subject: RecipeSubject): ShellRecipe | null {
  const row = folder.db.select().from(shellRecipes).where(eq(shellRecipes.shellId, subject.id)).get();
  const recipe = row && recipeById(row.recipe);
  return recipe
    ? worked(
        recipe,
        new Set(parseKept<string[]>(row.ticked, 'What was ticked of the recipe')),
        folder,
        subject,
      )
    : null;
}

/** How far a shell is with its recipe, in three words. */
export interface RecipeProgress {
  readonly title: string;
  readonly done: number;
  readonly steps: number;
}
export function recipeProgress(folder: OpenFolder, subject: RecipeSubject): RecipeProgress | null {
  const recipe = shellRecipe(folder, subject);
  return recipe && { title: recipe.title, done: recipe.doneCount, steps: recipe.lines.length };
}

function worked(
  recipe: Recipe,
  ticked: ReadonlySet<string>,
  folder: OpenFolder,
  subject: RecipeSubject,
): ShellRecipe {
  const { done, next } = recipeState(recipe, recipeFacts(folder, subject), ticked);
  return {
    id: recipe.id,
    title: recipe.title,
    lines: recipe.steps.map(({ isDone, ...step }, n) => ({
      ...step,
      isDone: done[n] ?? false,
      isTicked: isDone === null,
    })),
    doneCount: done.filter(Boolean).length,
    next: next?.title ?? null,
  };
}

/** Begins a recipe, ticks a step of it, or lets it go; what was done to the shell stays. */
export function editRecipe(
  { db }: OpenFolder,
  { row }: CurrentShell,
  edit: RecipeEdit,
): Result<{ kept: true }> {
  const mine = eq(shellRecipes.shellId, row.id);
  switch (edit.edit) {
    case 'choose': {
      if (!recipeById(edit.recipe))
        return bad('no-recipe', 'There is no such recipe; choose one of the list.');
      const begun = { recipe: edit.recipe, ticked: '[]', begunAt: new Date().toISOString() };
      db.insert(shellRecipes)
        .values({ shellId: row.id, ...begun })
        .onConflictDoUpdate({ target: shellRecipes.shellId, set: begun })
        .run();
      return good({ kept: true });
    }
    case 'tick': {
      const kept = db.select().from(shellRecipes).where(mine).get();
      const step = recipeById(kept?.recipe ?? '')?.steps.find(({ id }) => id === edit.step);
      if (!kept || step?.isDone !== null)
        return bad('no-step', 'This step is not one to be ticked; look at the page once more.');
      const others = parseKept<string[]>(kept.ticked, 'What was ticked of the recipe').filter(
        (id) => id !== edit.step,
      );
      const ticked = JSON.stringify(edit.isDone ? [...others, edit.step] : others);
      db.update(shellRecipes).set({ ticked }).where(mine).run();
      return good({ kept: true });
    }
    case 'end':
      db.delete(shellRecipes).where(mine).run();
      return good({ kept: true });
  }
}

/** What is known of a shell without opening it: a step of a recipe is done where this says so. */
export interface RecipeFacts {
  readonly isCombed: boolean;
  /** Open findings by check, without what was decided. */
  readonly undecided: ReadonlyMap<string, number>;
  /** Of those, the ones that students would notice first. */
  readonly fixFirst: number;
  /** Of those, the ones whose remedy loses nothing. */
  readonly safe: number;
  readonly planSize: number;
  /** Runs that were carried out and not taken back. */
  readonly runs: number;
  /** Lines of the opening-day list with something in the way. */
  readonly inTheWay: number;
  /** Lines of it that nobody knows of, or only in part. */
  readonly unchecked: number;
  /** What the last reset left of what it was to empty; null where there was none. */
  readonly leftByReset: number | null;
}

export interface RecipeStep {
  readonly id: string;
  readonly title: string;
  /** What is done there, in a sentence. */
  readonly says: string;
  /** Where it is done: what follows the shell’s address. */
  readonly at: string;
  /** Null where only the person can say that it is done. */
  readonly isDone: ((facts: RecipeFacts) => boolean) | null;
}

/** The same tools in another order: a short list for one occasion. */
export interface Recipe {
  readonly id: string;
  readonly title: string;
  /** When it is used. */
  readonly when: string;
  readonly steps: readonly RecipeStep[];
}

/** How far somebody is with a recipe. */
export interface RecipeState {
  readonly done: readonly boolean[];
  /** The first step that is not done; null where all are. */
  readonly next: RecipeStep | null;
}

/** How far a shell is, by what is known of it and what somebody ticked. */
export function recipeState(recipe: Recipe, facts: RecipeFacts, ticked: ReadonlySet<string>): RecipeState {
  const done = recipe.steps.map(({ id, isDone }) => (isDone ? isDone(facts) : ticked.has(id)));
  return { done, next: recipe.steps[done.indexOf(false)] ?? null };
}

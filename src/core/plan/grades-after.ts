import type { Item, Shell } from '@/core/shell/model';
import { wholeWords } from '@/core/text/whole-words';

/** A grade category as it counts: its weight and how many columns it has; null where there is no such category. */
export interface CategoryWeight {
  readonly title: string;
  readonly before: WeightAndColumns | null;
  readonly after: WeightAndColumns | null;
}
interface WeightAndColumns {
  /** In percent. */
  readonly weight: number | null;
  readonly columns: number;
}

/** The grade categories before and after, weights in percent, in the order of the shell, what is new last. */
export function gradeWeights(before: Shell, after: Shell): CategoryWeight[] {
  const unit = percentOf(before.gradeCategories.length > 0 ? before : after);
  const [was, now] = [weightsOf(before, unit), weightsOf(after, unit)];
  const refs = [...new Set([...was.keys(), ...now.keys()])];
  return refs.map((ref) => {
    const [old, next] = [was.get(ref), now.get(ref)];
    return {
      title: next?.title ?? old?.title ?? '',
      before: old ? { weight: old.weight, columns: old.columns } : null,
      after: next ? { weight: next.weight, columns: next.columns } : null,
    };
  });
}

/** Weights are given in percent or as shares of one: what they are multiplied by to be percent. */
function percentOf({ gradeCategories }: Shell): 1 | 100 {
  const sum = gradeCategories.reduce((n, { weight }) => n + (weight ?? 0), 0);
  return sum > 0 && sum <= 1.5 ? 100 : 1;
}

function weightsOf({ gradeCategories, gradeColumns }: Shell, unit: 1 | 100) {
  return new Map(
    gradeCategories.map(({ ref, title, weight }) => [
      ref as string,
      {
        title,
        weight: weight === null ? null : weight * unit,
        columns: gradeColumns.filter((column) => column.category === ref).length,
      },
    ]),
  );
}

/** Graded work that would not reach the records system: it has no date, or its category is a catch-all. */
export interface NotReaching {
  readonly ref: string;
  readonly title: string;
  readonly why: 'no due date' | 'a catch-all category';
}

const isGraded = (item: Item): boolean => item.gradeColumn !== null || (item.points ?? 0) > 0;

export function notReaching(shell: Shell, catchAllWords: readonly string[]): NotReaching[] {
  const isCatchAll = wholeWords(catchAllWords);
  return shell.items.filter(isGraded).flatMap(({ ref, title, due, gradeCategory }): NotReaching[] => {
    if (due === null) return [{ ref, title, why: 'no due date' }];
    const isCaught = gradeCategory !== null && isCatchAll(gradeCategory);
    return isCaught ? [{ ref, title, why: 'a catch-all category' }] : [];
  });
}

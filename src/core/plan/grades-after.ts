import type { Item, Shell } from '@/core/shell/model';
import { escapePattern } from '@/core/text/escape-pattern';

/** A grade category as it counts: its weight and how many columns it has; null where there is no such category. */
export interface CategoryWeight {
  readonly title: string;
  readonly before: WeightAndColumns | null;
  readonly after: WeightAndColumns | null;
}
interface WeightAndColumns {
  readonly weight: number | null;
  readonly columns: number;
}

/** The grade categories before and after, in the order of the shell, what is new last. */
export function gradeWeights(before: Shell, after: Shell): CategoryWeight[] {
  const [was, now] = [weightsOf(before), weightsOf(after)];
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

function weightsOf({ gradeCategories, gradeColumns }: Shell) {
  return new Map(
    gradeCategories.map(({ ref, title, weight }) => [
      ref as string,
      { title, weight, columns: gradeColumns.filter((column) => column.category === ref).length },
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
  const words = catchAllWords.map(escapePattern).join('|');
  const catchAll = words === '' ? null : new RegExp(`(^|[^\\p{L}])(${words})($|[^\\p{L}])`, 'iu');
  return shell.items.filter(isGraded).flatMap(({ ref, title, due, gradeCategory }): NotReaching[] => {
    if (due === null) return [{ ref, title, why: 'no due date' }];
    const isCaught = gradeCategory !== null && catchAll?.test(gradeCategory) === true;
    return isCaught ? [{ ref, title, why: 'a catch-all category' }] : [];
  });
}

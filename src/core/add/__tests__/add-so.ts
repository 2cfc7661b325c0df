import { gradeCategoryRef } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { holdAgainst } from '../hold-against';
import { addThings, type AddOptions, type Addition } from '../add-things';
import { chooseThings, proposedWish, type AddWish, type Choice } from '../choose';
import type { AddPreview } from '../incoming';
import { isOnePlace } from '../landing';
import { keptDates } from '../redate-taken';
import type { GradeCategory, Shell } from '@/core/shell/model';
import type { Result } from '@/core/shell/result';

export const spring = {
  title: 'Spring 2027',
  start: '2027-01-11' as LocalDate,
  end: '2027-05-07' as LocalDate,
};
export const autumn = {
  title: 'Autumn 2025',
  start: '2025-08-25' as LocalDate,
  end: '2025-12-12' as LocalDate,
};
/** More words than two texts share by chance. */
export const words = 'Stand downstream of the gauge and read at eye level where the water meets the scale.';

export const plainOptions: AddOptions = {
  landing: { where: 'match' },
  dating: keptDates,
  hidden: false,
  homePage: null,
  noClassOf: () => [],
  batch: 'added today',
};

export interface Added extends Addition {
  readonly preview: AddPreview;
  readonly choice: Choice;
}

export const must = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};

/** Holds a source against a shell, chooses and adds. */
export function addSo(
  shell: Shell,
  source: Shell,
  wish: Partial<AddWish> = {},
  options: Partial<AddOptions> = {},
): Added {
  const all = { ...plainOptions, ...options };
  const preview = holdAgainst(shell, source, { hidden: all.hidden });
  const choice = must(
    chooseThings(preview, { ...proposedWish, ...wish }, { toOnePlace: isOnePlace(all.landing) }),
  );
  return { ...must(addThings(shell, source, preview, choice, all)), preview, choice };
}

/** The outline as lines: titles, further in for what is in a module, with a mark for what is hidden. */
export function linesOf({ items }: Shell): string[] {
  const depths = new Map<string, number>();
  return items.map(({ ref, parent, title, placed, shown }) => {
    const depth = parent === null ? 0 : (depths.get(parent) ?? 0) + 1;
    depths.set(ref, depth);
    return `${'  '.repeat(depth)}${title}${shown === false ? ' (hidden)' : ''}${placed ? '' : ' (outside)'}`;
  });
}

export const category = (ref: string, title: string, weight: number | null = null): GradeCategory => ({
  ref: gradeCategoryRef(ref),
  title,
  weight,
  extra: {},
});

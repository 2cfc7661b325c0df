import isEqual from 'fast-deep-equal';
import type { Gesture, GestureStep } from '@/core/outline/gesture';
import { dateColumns, type Values, type ValueEdit, type ValueRow } from './value-row';

/** New values of many items as the steps of a plan: one for each sort of change, however many items. */
export function valueSteps(rows: readonly ValueRow[], edits: ReadonlyMap<string, ValueEdit>): Gesture {
  const changed = rows.flatMap((row): Changed[] => {
    const edit = realEdit(row, edits.get(row.ref) ?? {});
    return edit === null ? [] : [{ row, edit }];
  });
  return [
    ...datesStep(changed),
    ...pointsStep(changed),
    ...categoryStep(changed),
    ...switchSteps(changed),
    ...readerSteps(changed),
    ...requirementStep(changed),
  ];
}

interface Changed {
  readonly row: ValueRow;
  readonly edit: ValueEdit;
}

/** The part of an edit that says something else than what is; null where all of it is so already. */
export function realEdit(row: ValueRow, edit: ValueEdit): ValueEdit | null {
  const changes = Object.entries(edit).filter(([name, value]) => !isEqual(row[name as keyof Values], value));
  return changes.length === 0 ? null : Object.fromEntries(changes);
}

/** A step for those of the changed items that it has something to say of; none where there are none. */
function stepFor(action: string, targets: readonly string[], params: GestureStep['params'] = {}): Gesture {
  return targets.length === 0 ? [] : [{ action, targets, params }];
}

function datesStep(changed: readonly Changed[]): Gesture {
  const dates = Object.fromEntries(
    changed.flatMap(({ row, edit }) => {
      const told = dateColumns.filter((name) => edit[name] !== undefined).map((name) => [name, edit[name]]);
      return told.length === 0 ? [] : [[row.ref, Object.fromEntries(told)]];
    }),
  ) as Record<string, unknown>;
  return stepFor('re-date', Object.keys(dates), { dates });
}

function pointsStep(changed: readonly Changed[]): Gesture {
  const points = Object.fromEntries(
    changed.flatMap(({ row, edit }) => (edit.points === undefined ? [] : [[row.ref, edit.points]])),
  ) as Record<string, number | null>;
  return stepFor('set-points', Object.keys(points), { points });
}

/** A category is the grade column’s: activities that share one go together. */
function categoryStep(changed: readonly Changed[]): Gesture {
  const categories = Object.fromEntries(
    changed.flatMap(({ row, edit }) =>
      edit.category === undefined || row.gradeColumn === null ? [] : [[row.gradeColumn, edit.category]],
    ),
  ) as Record<string, string>;
  return stepFor('set-category', Object.keys(categories), { categories });
}

function switchSteps(changed: readonly Changed[]): Gesture {
  const refs = (to: Values['students']) =>
    changed.flatMap(({ row, edit }) => (edit.students === to ? [row.ref] : []));
  return [...stepFor('show', refs('shown')), ...stepFor('hide', refs('hidden'))];
}

function readerSteps(changed: readonly Changed[]): Gesture {
  const files = (to: Values['readers']) => [
    ...new Set(
      changed.flatMap(({ row, edit }) => (edit.readers === to && row.file !== null ? [row.file] : [])),
    ),
  ];
  return [
    ...stepFor('file-access', files('all'), { readers: 'all' }),
    ...stepFor('file-access', files('staff'), { readers: 'staff' }),
  ];
}

function requirementStep(changed: readonly Changed[]): Gesture {
  const requirements = Object.fromEntries(
    changed.flatMap(({ row, edit }) => {
      const kept = edit.requires;
      return kept === undefined ? [] : [[row.ref, row.requires.filter((ref) => !kept.includes(ref))]];
    }),
  ) as Record<string, readonly string[]>;
  return stepFor('drop-requirement', Object.keys(requirements), { requirements });
}

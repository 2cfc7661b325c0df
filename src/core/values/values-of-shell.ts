import { activitiesByColumn } from '@/core/shell/grade-links';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ValueRow } from './value-row';

/** Every item with its values, in outline order; home pages and headings have none. */
export function valuesOfShell(shell: Shell): ValueRow[] {
  const outline = outlineOf(shell);
  const columnOf = new Map(
    [...activitiesByColumn(shell)].flatMap(([column, items]) =>
      items.map((item) => [item.ref, column] as const),
    ),
  );
  const columns = new Map(shell.gradeColumns.map((column) => [column.ref, column]));
  const contents = new Map(shell.contents.map((content) => [content.id, content]));
  const files = new Map(shell.files.map((file) => [file.path, file]));
  return shell.items
    .filter((item) => item.kind !== 'home-page' && item.kind !== 'heading')
    .map((item) => {
      const column = columnOf.get(item.ref) ?? null;
      const content = item.content === null ? undefined : contents.get(item.content);
      const file = content === undefined || content.href === null ? undefined : files.get(content.href);
      return {
        ref: item.ref,
        title: item.title,
        kind: item.kind,
        path: item.placed ? outline.path(item) : ['Outside the outline'],
        opens: item.opens,
        due: item.due,
        closes: item.closes,
        // What the item does not say, its content may.
        points: item.points ?? content?.points ?? null,
        gradeColumn: column,
        category: column === null ? null : (columns.get(column)?.category ?? null),
        students: item.shown === false ? 'hidden' : 'shown',
        file: file?.path ?? null,
        readers: file ? (file.readableBy ?? 'all') : null,
        requires: item.requires,
        requiredTitles: item.requires.map((ref) => outline.byRef.get(ref)?.title ?? ref),
      };
    });
}

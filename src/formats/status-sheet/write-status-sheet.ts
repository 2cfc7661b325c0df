import { writeCsv } from '../archive/write-csv';
import type { Item, Shell } from '@/core/shell/model';
import { statusColumns, type StatusColumn } from './columns';

type Row = Partial<Record<StatusColumn, string>>;

/** Writes what is known about a shell's items and files as a status sheet; an unknown status stays an empty cell. */
export function writeStatusSheet(shell: Shell): string {
  const homes = new Map(shell.homePages.map((h) => [h.ref, h]));
  const text = (value: string | number | null | undefined) =>
    value === null || value === undefined ? '' : String(value);
  const rows: Row[] = shell.items.map((item) => ({
    ref: item.ref,
    title: item.title,
    kind: kindCell(item, homes.has(item.ref)),
    visible: yesOrNo(item.shown),
    opens: text(item.opens),
    closes: text(item.closes),
    due: text(item.due),
    points: text(item.points),
    grade_category: text(item.gradeCategory),
    grade_column: text(item.gradeColumn),
    created: text(item.created),
    modified: text(item.modified),
    import_batch: text(item.batch),
    has_student_work: text(item.studentWork),
    in_use: yesOrNo(homes.get(item.ref)?.inUse ?? null),
    requires: item.requires.join(' '),
    group: item.groups.join(' '),
  }));
  for (const file of shell.files)
    if (file.readableBy !== null || file.created !== null || file.modified !== null || file.batch !== null)
      rows.push({
        ref: file.path,
        readable_by: text(file.readableBy),
        created: text(file.created),
        modified: text(file.modified),
        import_batch: text(file.batch),
      });
  for (const bank of shell.banks)
    if (bank.content === null) rows.push({ ref: bank.ref, title: bank.title, kind: 'bank' });
  for (const group of shell.groups) rows.push({ ref: group.ref, title: group.title, kind: 'group' });
  return writeCsv([[...statusColumns], ...rows.map((row) => statusColumns.map((c) => row[c] ?? ''))]);
}

/** An empty cell means “not known”. */
function yesOrNo(value: boolean | null): string {
  if (value === null) return '';
  return value ? 'yes' : 'no';
}

function kindCell(item: Item, isHome: boolean): string {
  if (isHome) return 'home-page';
  return item.kind === 'other' ? '' : item.kind;
}

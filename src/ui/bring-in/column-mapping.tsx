'use client';
import { entryOf } from '@/core/entries';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { statusColumns, type StatusColumn } from '@/services/do/bring-in/status-columns';
import styles from './bring-in.module.css';

const meanings: Readonly<Record<StatusColumn, string>> = {
  ref: 'which thing (its ref)',
  title: 'its title',
  kind: 'its kind',
  visible: 'whether students see it',
  opens: 'opens',
  closes: 'closes',
  due: 'due',
  points: 'points',
  grade_category: 'grade category',
  grade_column: 'grade column',
  created: 'when it was made',
  modified: 'when it was changed',
  import_batch: 'which import it came with',
  readable_by: 'who may read the file',
  has_student_work: 'pieces of student work',
  in_use: 'whether the home page is in use',
  requires: 'what must be done first',
  group: 'for which groups',
};

export type Mapping = Readonly<Record<string, StatusColumn | null>>;

/** Columns that are called otherwise than ours, with what was said of them before. */
export function openColumns(
  header: readonly string[],
  remembered: Mapping,
): Record<string, StatusColumn | null> {
  const open = header.filter((name) => !statusColumns.some((c) => c === name));
  return Object.fromEntries(open.map((name) => [name, entryOf(remembered, name) ?? null]));
}

/** Says what the columns of a campus system's own report mean; what was said is remembered for the next sheet. */
export function ColumnMapping({
  mapping,
  onChange,
}: {
  mapping: Mapping;
  onChange: (mapping: Mapping) => void;
}) {
  const names = Object.keys(mapping);
  if (!names.length) return null;
  return (
    <fieldset className={styles.fields}>
      <legend>
        <h2>What the columns of the status sheet mean</h2>
      </legend>
      <p className="soft" style={{ gridColumn: '1 / -1', margin: 0 }}>
        These have names of their own. What you say is remembered for the next sheet; the others are
        understood as they are.
      </p>
      {names.map((name) => (
        <TextField
          key={name}
          select
          size="small"
          label={name}
          value={entryOf(mapping, name) ?? ''}
          onChange={(event) =>
            onChange({ ...mapping, [name]: (event.target.value || null) as StatusColumn | null })
          }
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          <MenuItem value="">leave it alone</MenuItem>
          {statusColumns.map((column) => (
            <MenuItem key={column} value={column}>
              {meanings[column]}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </fieldset>
  );
}

import type { ItemKind } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';

/** What can be said of many items at once, a column each. */
export const valueColumns = [
  'opens',
  'due',
  'closes',
  'points',
  'category',
  'students',
  'readers',
  'requires',
] as const;
export type ValueColumn = (typeof valueColumns)[number];
export const dateColumns = ['opens', 'due', 'closes'] as const satisfies readonly ValueColumn[];
export type DateColumn = (typeof dateColumns)[number];

export type Readers = 'all' | 'staff';

/** The values of one item. */
export interface Values {
  readonly opens: LocalDateTime | null;
  readonly due: LocalDateTime | null;
  readonly closes: LocalDateTime | null;
  readonly points: number | null;
  /** Ref of the grade category that its column counts in. */
  readonly category: string | null;
  /** Its own switch. */
  readonly students: 'shown' | 'hidden';
  /** Who reads the file that it shows. */
  readonly readers: Readers | null;
  /** Refs of what must be done before it. */
  readonly requires: readonly string[];
}

/** An item with its values, and what its other values hang on. */
export interface ValueRow extends Values {
  readonly ref: string;
  readonly title: string;
  readonly kind: ItemKind;
  readonly path: readonly string[];
  /** Its grade column; without one it is in no category. */
  readonly gradeColumn: string | null;
  /** The file that it shows; without one there is nobody to read it. */
  readonly file: string | null;
  /** Titles of what it requires. */
  readonly requiredTitles: readonly string[];
}

/** New values of one item: only those that were changed. */
export type ValueEdit = Partial<Values>;

const graded: ReadonlySet<ItemKind> = new Set<ItemKind>(['assignment', 'quiz', 'discussion']);

/** Whether an item can have a value of its own in a column. */
export function holds(row: ValueRow, column: ValueColumn): boolean {
  switch (column) {
    case 'points':
      return graded.has(row.kind);
    case 'category':
      return row.gradeColumn !== null;
    case 'readers':
      return row.file !== null;
    case 'requires':
      return row.requires.length > 0;
    case 'opens':
    case 'due':
    case 'closes':
    case 'students':
      return true;
  }
}

/** The columns of a status sheet (docs/status-sheet.md). */
export const statusColumns = [
  'ref',
  'title',
  'kind',
  'visible',
  'opens',
  'closes',
  'due',
  'points',
  'grade_category',
  'grade_column',
  'created',
  'modified',
  'import_batch',
  'readable_by',
  'has_student_work',
  'in_use',
  'requires',
  'group',
] as const;
export type StatusColumn = (typeof statusColumns)[number];

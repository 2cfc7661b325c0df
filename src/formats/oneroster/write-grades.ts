import { entryOf } from '@/core/entries';
import type { Shell } from '@/core/shell/model';
import { writeCsv } from '@/formats/archive/write-csv';

/** The grade setup of a shell as OneRoster 1.2 CSV files: manifest, categories, lineItems; never a person's row. */
export interface GradeFiles {
  readonly 'manifest.csv': string;
  readonly 'categories.csv': string;
  readonly 'lineItems.csv': string;
}

const tables = [
  'academicSessions',
  'categories',
  'classes',
  'classResources',
  'courses',
  'courseResources',
  'demographics',
  'enrollments',
  'lineItemLearningObjectiveIds',
  'lineItems',
  'lineItemScoreScales',
  'orgs',
  'resources',
  'resultLearningObjectiveIds',
  'results',
  'resultScoreScales',
  'roles',
  'scoreScales',
  'userProfiles',
  'userResources',
  'users',
];

/** Columns as the OneRoster 1.2 CSV binding orders them (from memory of the standard); what was read beyond them follows. */
const categoryColumns = ['sourcedId', 'status', 'dateLastModified', 'title', 'weight'];
const lineItemColumns = [
  'sourcedId',
  'status',
  'dateLastModified',
  'title',
  'description',
  'assignDate',
  'dueDate',
  'classSourcedId',
  'categorySourcedId',
  'gradingPeriodSourcedId',
  'academicSessionSourcedId',
  'schoolSourcedId',
  'resultValueMin',
  'resultValueMax',
];

export function writeGrades(shell: Shell): GradeFiles {
  const held = new Set(['categories', 'lineItems']);
  const manifest = [
    ['propertyName', 'value'],
    ['manifest.version', '1.0'],
    ['oneroster.version', '1.2'],
    ...tables.map((t) => [`file.${t}`, held.has(t) ? 'bulk' : 'absent']),
  ];
  const text = (n: number | null) => (n === null ? '' : String(n));
  return {
    'manifest.csv': writeCsv(manifest),
    'categories.csv': table(
      categoryColumns,
      shell.gradeCategories.map((c) => ({
        ...c.extra,
        sourcedId: c.ref,
        title: c.title,
        weight: text(c.weight),
      })),
    ),
    'lineItems.csv': table(
      lineItemColumns,
      shell.gradeColumns.map((c) => ({
        ...c.extra,
        sourcedId: c.ref,
        title: c.title,
        categorySourcedId: c.category ?? '',
        resultValueMax: text(c.points),
      })),
    ),
  };
}

function table(columns: readonly string[], rows: readonly Readonly<Record<string, string>>[]): string {
  const more = [...new Set(rows.flatMap((r) => Object.keys(r)))].filter((c) => !columns.includes(c)).sort();
  const all = [...columns, ...more];
  return writeCsv([all, ...rows.map((r) => all.map((c) => entryOf(r, c) ?? ''))]);
}

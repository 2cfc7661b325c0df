import type { Item, Shell } from '@/core/shell/model';

/** The role of those whose work it is, as rosters name it (1EdTech OneRoster CSV binding, enrollments.role). */
const studentRole = 'student';

const handsIn = (item: Item): boolean =>
  item.kind === 'assignment' || item.kind === 'quiz' || item.kind === 'discussion';

/** Does student work hang on an item? Where nobody told, an activity counts as having it while students are enrolled. */
export function mayHaveWork(shell: Pick<Shell, 'enrolments'>, item: Item): boolean {
  if (item.studentWork !== null) return item.studentWork > 0;
  return (shell.enrolments[studentRole] ?? 0) > 0 && handsIn(item);
}

const known = new WeakMap<Shell, ReadonlySet<string>>();

/**
 * All things that student work hangs on, by ref: items and grade columns that are known to have it. Where nobody told, an
 * assignment, quiz or discussion counts as having it as long as students are enrolled. Worked out once for a shell.
 */
export function thingsWithWork(shell: Shell): ReadonlySet<string> {
  const before = known.get(shell);
  if (before) return before;
  const items = shell.items.filter((item) => mayHaveWork(shell, item));
  const columns = shell.gradeColumns.filter((column) => (column.results ?? 0) > 0);
  const refs = new Set<string>([...items, ...columns].map(({ ref }) => ref));
  known.set(shell, refs);
  return refs;
}

/** Those of some things that student work hangs on. */
export const withStudentWork = (shell: Shell, refs: { has(ref: string): boolean }): readonly string[] =>
  [...thingsWithWork(shell)].filter((ref) => refs.has(ref));

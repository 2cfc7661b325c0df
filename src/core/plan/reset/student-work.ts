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

/**
 * Those of some things that student work hangs on: items and grade columns that are known to have it. Where nobody told,
 * an assignment, quiz or discussion counts as having it as long as students are enrolled.
 */
export function withStudentWork(shell: Shell, refs: { has(ref: string): boolean }): readonly string[] {
  return [
    ...shell.items.filter((item) => refs.has(item.ref) && mayHaveWork(shell, item)).map((item) => item.ref),
    ...shell.gradeColumns
      .filter((column) => refs.has(column.ref) && (column.results ?? 0) > 0)
      .map((column) => column.ref),
  ];
}

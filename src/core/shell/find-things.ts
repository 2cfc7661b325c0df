import type {
  Content,
  CourseEvent,
  GradeCategory,
  GradeColumn,
  QuestionBank,
  Shell,
  ShellFile,
} from './model';

/** One index for each list, kept as long as the list is the same object. */
function finder<T extends object>(
  key: (thing: T) => string,
): (list: readonly T[], wanted: string) => T | undefined {
  const indexes = new WeakMap<readonly T[], ReadonlyMap<string, T>>();
  return (list, wanted) => {
    let index = indexes.get(list);
    if (!index) indexes.set(list, (index = new Map(list.map((thing) => [key(thing), thing]))));
    return index.get(wanted);
  };
}

const findFile = finder<ShellFile>((file) => file.path);
const findContent = finder<Content>((content) => content.id);
const findEvent = finder<CourseEvent>((event) => event.ref);
const findColumn = finder<GradeColumn>((column) => column.ref);
const findCategory = finder<GradeCategory>((category) => category.ref);
const findBank = finder<QuestionBank>((bank) => bank.ref);

export const fileOfShell = (shell: Pick<Shell, 'files'>, path: string) => findFile(shell.files, path);
export const contentOfShell = (shell: Pick<Shell, 'contents'>, id: string | null) =>
  id === null ? undefined : findContent(shell.contents, id);
export const eventOfShell = (shell: Pick<Shell, 'events'>, ref: string) => findEvent(shell.events, ref);
export const columnOfShell = (shell: Pick<Shell, 'gradeColumns'>, ref: string) =>
  findColumn(shell.gradeColumns, ref);
export const categoryOfShell = (shell: Pick<Shell, 'gradeCategories'>, ref: string) =>
  findCategory(shell.gradeCategories, ref);
export const bankOfShell = (shell: Pick<Shell, 'banks'>, ref: string) => findBank(shell.banks, ref);

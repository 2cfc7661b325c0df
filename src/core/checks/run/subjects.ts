import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { Subject, SubjectRef } from '@/core/checks/finding/finding';

/** Looks subjects up: their titles, where they stand, and their order in the shell. */
export interface SubjectIndex {
  name(subject: SubjectRef): Subject;
  /** Outline order first, then files, events and grade setup. */
  order(subject: SubjectRef): number;
}

export function indexSubjects(shell: Shell): SubjectIndex {
  const outline = outlineOf(shell);
  const known = new Map<string, { title: string; path: readonly string[]; order: number }>();
  let order = 0;
  const add = (type: Subject['type'], ref: string, title: string, path: readonly string[]) => {
    known.set(`${type} ${ref}`, { title, path, order: (order += 1) });
  };
  const place = (item: Item) => (item.placed ? outline.path(item) : ['Outside the outline']);
  for (const item of shell.items) add('item', item.ref, item.title, place(item));
  for (const home of shell.homePages) add('homePage', home.ref, home.title, ['Home pages']);
  for (const file of shell.files) {
    const parts = file.path.split('/');
    add('file', file.path, parts.at(-1) ?? file.path, parts.slice(0, -1));
  }
  for (const event of shell.events) add('event', event.ref, event.title, ['Calendar']);
  for (const category of shell.gradeCategories)
    add('gradeCategory', category.ref, category.title, ['Grade setup']);
  for (const column of shell.gradeColumns) add('gradeColumn', column.ref, column.title, ['Grade setup']);
  for (const bank of shell.banks) add('bank', bank.ref, bank.title, ['Question banks']);
  for (const group of shell.groups) add('group', group.ref, group.title, ['Groups']);
  add('shell', shell.ref, shell.title, []);
  const look = (subject: SubjectRef) => known.get(`${subject.type} ${subject.ref}`);
  return {
    name(subject) {
      const found = look(subject);
      return {
        type: subject.type,
        ref: subject.ref,
        title: found?.title ?? subject.ref,
        path: found?.path ?? [],
      };
    },
    order: (subject) => look(subject)?.order ?? order + 1,
  };
}

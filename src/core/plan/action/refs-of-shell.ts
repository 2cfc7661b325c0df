import type { Shell } from '@/core/shell/model';
import type { SubjectType } from '@/core/refs/refs';

/** Finds out what a ref names; null where the shell has no such thing. An item goes before a bank or home page of its ref. */
export interface RefIndex {
  typeOf(ref: string): SubjectType | null;
  titleOf(ref: string): string;
}

type Entry = { readonly type: SubjectType; readonly title: string };

const kept = new WeakMap<Shell, RefIndex>();

export function refsOf(shell: Shell): RefIndex {
  const known = kept.get(shell);
  if (known) return known;
  const entries = new Map<string, Entry>();
  const add = (type: SubjectType, ref: string, title: string) => {
    if (!entries.has(ref)) entries.set(ref, { type, title });
  };
  for (const item of shell.items) add('item', item.ref, item.title);
  for (const file of shell.files) add('file', file.path, file.path);
  for (const event of shell.events) add('event', event.ref, event.title);
  for (const bank of shell.banks) add('bank', bank.ref, bank.title);
  for (const category of shell.gradeCategories) add('gradeCategory', category.ref, category.title);
  for (const column of shell.gradeColumns) add('gradeColumn', column.ref, column.title);
  for (const group of shell.groups) add('group', group.ref, group.title);
  add('shell', shell.ref, shell.title);
  const index: RefIndex = {
    typeOf: (ref) => entries.get(ref)?.type ?? null,
    titleOf: (ref) => entries.get(ref)?.title ?? ref,
  };
  kept.set(shell, index);
  return index;
}

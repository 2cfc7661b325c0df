import type { Shell } from '@/core/shell/model';
import type { SubjectType } from '@/core/shell/refs';

/** What a step's target is. */
export type TargetType = Exclude<SubjectType, 'shell'>;

/** Finds out what a ref names; null where the shell has no such thing. */
export interface RefIndex {
  typeOf(ref: string): TargetType | null;
  titleOf(ref: string): string;
}

export function indexRefs(shell: Shell): RefIndex {
  const types = new Map<string, { type: TargetType; title: string }>();
  const add = (type: TargetType, ref: string, title: string) => {
    if (!types.has(ref)) types.set(ref, { type, title });
  };
  for (const item of shell.items) add('item', item.ref, item.title);
  for (const file of shell.files) add('file', file.path, file.path);
  for (const event of shell.events) add('event', event.ref, event.title);
  for (const bank of shell.banks) add('bank', bank.ref, bank.title);
  for (const category of shell.gradeCategories) add('gradeCategory', category.ref, category.title);
  for (const column of shell.gradeColumns) add('gradeColumn', column.ref, column.title);
  for (const group of shell.groups) add('group', group.ref, group.title);
  return { typeOf: (ref) => types.get(ref)?.type ?? null, titleOf: (ref) => types.get(ref)?.title ?? ref };
}

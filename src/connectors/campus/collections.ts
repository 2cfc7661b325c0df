import type { ListName } from '@/core/edits/edit';
import type { CollectionName } from './wire';

/** What the lists of a shell are called at a host. */
export const collectionOf: Readonly<Record<ListName, CollectionName>> = {
  items: 'outline',
  contents: 'contents',
  files: 'files',
  entries: 'parts',
  events: 'events',
  gradeCategories: 'grade-categories',
  gradeColumns: 'grade-columns',
  banks: 'banks',
  groups: 'groups',
  homePages: 'home-pages',
};

/** The field by which a thing goes in its list, where it is the id that the host gave it. */
export const idField: Readonly<Partial<Record<ListName, 'ref' | 'id'>>> = {
  items: 'ref',
  contents: 'id',
  gradeCategories: 'ref',
  gradeColumns: 'ref',
  groups: 'ref',
};

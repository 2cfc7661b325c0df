import type { Item } from './model';
import { itemRef } from '@/core/refs/refs';

/** An item of which nothing is known. */
export const blankItem: Item = {
  ref: itemRef(''),
  kind: 'page',
  title: '',
  placed: false,
  parent: null,
  content: null,
  shown: null,
  opens: null,
  closes: null,
  due: null,
  requires: [],
  points: null,
  gradeCategory: null,
  gradeColumn: null,
  created: null,
  modified: null,
  batch: null,
  studentWork: null,
  groups: [],
  staffOnly: false,
  extraXml: [],
};

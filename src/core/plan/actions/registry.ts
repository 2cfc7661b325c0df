import { add } from './add';
import { clearDates } from './clear-dates';
import { deleteAction } from './delete';
import { deleteQuestions } from './delete-questions';
import { dropLink } from './drop-link';
import { dropRequirement } from './drop-requirement';
import { editText } from './edit-text';
import { endRecurrence } from './end-recurrence';
import { excludeOccurrence } from './exclude-occurrence';
import { fileAccess } from './file-access';
import { hide } from './hide';
import { liftOut } from './lift-out';
import { merge } from './merge';
import { move } from './move';
import { place } from './place';
import { reDate } from './re-date';
import { relink } from './relink';
import { relinkAddresses } from './relink-addresses';
import { rename } from './rename';
import { repeat } from './repeat';
import { resetArea } from './reset-area';
import { setAside } from './set-aside';
import { setCategory } from './set-category';
import { setFacts } from './set-facts';
import { setHomePage } from './set-home-page';
import { setPoints } from './set-points';
import { show } from './show';
import { sort } from './sort';
import { unlink } from './unlink';

/** Every action there is, by name, sorted. Nothing changes a shell except a step, and a step is one of these. */
export const actions = {
  add,
  'clear-dates': clearDates,
  delete: deleteAction,
  'delete-questions': deleteQuestions,
  'drop-link': dropLink,
  'drop-requirement': dropRequirement,
  'edit-text': editText,
  'end-recurrence': endRecurrence,
  'exclude-occurrence': excludeOccurrence,
  'file-access': fileAccess,
  hide,
  'lift-out': liftOut,
  merge,
  move,
  place,
  're-date': reDate,
  relink,
  'relink-addresses': relinkAddresses,
  rename,
  repeat,
  'reset-area': resetArea,
  'set-aside': setAside,
  'set-category': setCategory,
  'set-facts': setFacts,
  'set-home-page': setHomePage,
  'set-points': setPoints,
  show,
  sort,
  unlink,
} as const;

export type ActionName = keyof typeof actions;
export const actionNames = Object.keys(actions) as ActionName[];

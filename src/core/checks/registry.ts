import { carriedOver } from './calendar/carried-over';
import { outsideTerm } from './calendar/outside-term';
import type { CheckRecord } from './check';
import { duplicateEvent } from './duplicate/event';
import { duplicateLink } from './duplicate/link';
import { repeatedImport } from './duplicate/repeated-import';
import { sameContent } from './duplicate/same-content';
import { sameFile } from './duplicate/same-file';
import { emptyGradeCategory } from './orphan/empty-grade-category';
import { emptyModule } from './orphan/empty-module';
import { gradeColumn } from './orphan/grade-column';
import { unusedBank } from './orphan/unused-bank';
import { unusedFile } from './orphan/unused-file';
import { dateOutsideTerm } from './outdated/date-outside-term';
import { hiddenItem } from './visibility/hidden-item';

/** Every check there is, sorted by id; a test holds this list against the files. */
export const allChecks = [
  carriedOver,
  outsideTerm,
  duplicateEvent,
  duplicateLink,
  repeatedImport,
  sameContent,
  sameFile,
  emptyGradeCategory,
  emptyModule,
  gradeColumn,
  unusedBank,
  unusedFile,
  dateOutsideTerm,
  hiddenItem,
].map((check) => check as unknown as CheckRecord);

export const checkById = (id: string): CheckRecord | undefined => allChecks.find((check) => check.id === id);

import type { CheckRecord } from '@/core/checks/check/check';
import { carriedOver } from '@/core/checks/calendar/carried-over';
import { dueMismatch } from '@/core/checks/calendar/due-mismatch';
import { meetingLink } from '@/core/checks/calendar/meeting-link';
import { noClassDay } from '@/core/checks/calendar/no-class-day';
import { outsideTerm } from '@/core/checks/calendar/outside-term';
import { overrunsTerm } from '@/core/checks/calendar/overruns-term';
import { pastEvent } from '@/core/checks/calendar/past';
import { unconfirmedMeeting } from '@/core/checks/calendar/unconfirmed-meeting';
import { alreadyProvided } from '@/core/checks/duplicate/already-provided';
import { copyTitle } from '@/core/checks/duplicate/copy-title';
import { duplicateEvent } from '@/core/checks/duplicate/event';
import { duplicateGradeCategory } from '@/core/checks/duplicate/grade-category';
import { duplicateGradeColumn } from '@/core/checks/duplicate/grade-column';
import { duplicateLink } from '@/core/checks/duplicate/link';
import { nearContent } from '@/core/checks/duplicate/near-content';
import { placedTwice } from '@/core/checks/duplicate/placed-twice';
import { duplicateQuestion } from '@/core/checks/duplicate/question';
import { repeatedImport } from '@/core/checks/duplicate/repeated-import';
import { sameContent } from '@/core/checks/duplicate/same-content';
import { sameFile } from '@/core/checks/duplicate/same-file';
import { brokenLink } from '@/core/checks/orphan/broken-link';
import { emptyGradeCategory } from '@/core/checks/orphan/empty-grade-category';
import { emptyGroup } from '@/core/checks/orphan/empty-group';
import { emptyModule } from '@/core/checks/orphan/empty-module';
import { gradeColumn } from '@/core/checks/orphan/grade-column';
import { ungradedActivity } from '@/core/checks/orphan/ungraded-activity';
import { unpackedArchive } from '@/core/checks/orphan/unpacked-archive';
import { unplacedActivity } from '@/core/checks/orphan/unplaced-activity';
import { unreachablePage } from '@/core/checks/orphan/unreachable-page';
import { unusedBank } from '@/core/checks/orphan/unused-bank';
import { unusedFile } from '@/core/checks/orphan/unused-file';
import { unusedHomePage } from '@/core/checks/orphan/unused-home-page';
import { dateOrder } from '@/core/checks/outdated/date-order';
import { dateOutsideTerm } from '@/core/checks/outdated/date-outside-term';
import { deadLink } from '@/core/checks/outdated/dead-link';
import { formerTool } from '@/core/checks/outdated/former-tool';
import { leftoverPhrase } from '@/core/checks/outdated/leftover-phrase';
import { oldAnnouncement } from '@/core/checks/outdated/old-announcement';
import { oldShellLink } from '@/core/checks/outdated/old-shell-link';
import { otherCourse } from '@/core/checks/outdated/other-course';
import { pastTermMention } from '@/core/checks/outdated/past-term-mention';
import { placeholderText } from '@/core/checks/outdated/placeholder-text';
import { supersededVersion } from '@/core/checks/outdated/superseded-version';
import { textDateOutsideTerm } from '@/core/checks/outdated/text-date-outside-term';
import { textDayOutsideTerm } from '@/core/checks/outdated/text-day-outside-term';
import { unchangedAssessment } from '@/core/checks/outdated/unchanged-assessment';
import { untouched } from '@/core/checks/outdated/untouched';
import { weekdayMismatch } from '@/core/checks/outdated/weekday-mismatch';
import { emptiness } from '@/core/checks/readiness/emptiness';
import { noHomePage } from '@/core/checks/readiness/no-home-page';
import { noSyllabus } from '@/core/checks/readiness/no-syllabus';
import { termDates } from '@/core/checks/readiness/term-dates';
import { titleTerm } from '@/core/checks/readiness/title-term';
import { undatedActivity } from '@/core/checks/readiness/undated-activity';
import { unfilledTemplate } from '@/core/checks/readiness/unfilled-template';
import { weights } from '@/core/checks/readiness/weights';
import { catchAllCategory } from '@/core/checks/structure/catch-all-category';
import { deepNesting } from '@/core/checks/structure/deep-nesting';
import { misfiled } from '@/core/checks/structure/misfiled';
import { mixedNaming } from '@/core/checks/structure/mixed-naming';
import { numberGap } from '@/core/checks/structure/number-gap';
import { numberOrder } from '@/core/checks/structure/number-order';
import { numberRepeat } from '@/core/checks/structure/number-repeat';
import { singleItemFolder } from '@/core/checks/structure/single-item-folder';
import { tailBlock } from '@/core/checks/structure/tail-block';
import { exposedKey } from '@/core/checks/visibility/exposed-key';
import { hiddenGraded } from '@/core/checks/visibility/hidden-graded';
import { hiddenItem } from '@/core/checks/visibility/hidden-item';
import { hiddenTarget } from '@/core/checks/visibility/hidden-target';
import { lockedOut } from '@/core/checks/visibility/locked-out';
import { neverOpen } from '@/core/checks/visibility/never-open';
import { shadowed } from '@/core/checks/visibility/shadowed';
import { unreadableFile } from '@/core/checks/visibility/unreadable-file';

/** Every check there is, sorted by id; a test holds this list against the files. */
export const allChecks = [
  carriedOver,
  dueMismatch,
  meetingLink,
  noClassDay,
  outsideTerm,
  overrunsTerm,
  pastEvent,
  unconfirmedMeeting,
  alreadyProvided,
  copyTitle,
  duplicateEvent,
  duplicateGradeCategory,
  duplicateGradeColumn,
  duplicateLink,
  nearContent,
  placedTwice,
  duplicateQuestion,
  repeatedImport,
  sameContent,
  sameFile,
  brokenLink,
  emptyGradeCategory,
  emptyGroup,
  emptyModule,
  gradeColumn,
  ungradedActivity,
  unpackedArchive,
  unplacedActivity,
  unreachablePage,
  unusedBank,
  unusedFile,
  unusedHomePage,
  dateOrder,
  dateOutsideTerm,
  deadLink,
  formerTool,
  leftoverPhrase,
  oldAnnouncement,
  oldShellLink,
  otherCourse,
  pastTermMention,
  placeholderText,
  supersededVersion,
  textDateOutsideTerm,
  textDayOutsideTerm,
  unchangedAssessment,
  untouched,
  weekdayMismatch,
  emptiness,
  noHomePage,
  noSyllabus,
  termDates,
  titleTerm,
  undatedActivity,
  unfilledTemplate,
  weights,
  catchAllCategory,
  deepNesting,
  misfiled,
  mixedNaming,
  numberGap,
  numberOrder,
  numberRepeat,
  singleItemFolder,
  tailBlock,
  exposedKey,
  hiddenGraded,
  hiddenItem,
  hiddenTarget,
  lockedOut,
  neverOpen,
  shadowed,
  unreadableFile,
].map((check) => check as unknown as CheckRecord);

export const checkById = (id: string): CheckRecord | undefined => allChecks.find((check) => check.id === id);

import type { CheckRecord } from './check';
import { carriedOver } from './calendar/carried-over';
import { dueMismatch } from './calendar/due-mismatch';
import { meetingLink } from './calendar/meeting-link';
import { noClassDay } from './calendar/no-class-day';
import { outsideTerm } from './calendar/outside-term';
import { overrunsTerm } from './calendar/overruns-term';
import { pastEvent } from './calendar/past';
import { unconfirmedMeeting } from './calendar/unconfirmed-meeting';
import { alreadyProvided } from './duplicate/already-provided';
import { copyTitle } from './duplicate/copy-title';
import { duplicateEvent } from './duplicate/event';
import { duplicateGradeCategory } from './duplicate/grade-category';
import { duplicateGradeColumn } from './duplicate/grade-column';
import { duplicateLink } from './duplicate/link';
import { nearContent } from './duplicate/near-content';
import { placedTwice } from './duplicate/placed-twice';
import { duplicateQuestion } from './duplicate/question';
import { repeatedImport } from './duplicate/repeated-import';
import { sameContent } from './duplicate/same-content';
import { sameFile } from './duplicate/same-file';
import { brokenLink } from './orphan/broken-link';
import { emptyGradeCategory } from './orphan/empty-grade-category';
import { emptyGroup } from './orphan/empty-group';
import { emptyModule } from './orphan/empty-module';
import { gradeColumn } from './orphan/grade-column';
import { ungradedActivity } from './orphan/ungraded-activity';
import { unpackedArchive } from './orphan/unpacked-archive';
import { unplacedActivity } from './orphan/unplaced-activity';
import { unreachablePage } from './orphan/unreachable-page';
import { unusedBank } from './orphan/unused-bank';
import { unusedFile } from './orphan/unused-file';
import { unusedHomePage } from './orphan/unused-home-page';
import { dateOrder } from './outdated/date-order';
import { dateOutsideTerm } from './outdated/date-outside-term';
import { deadLink } from './outdated/dead-link';
import { formerTool } from './outdated/former-tool';
import { leftoverPhrase } from './outdated/leftover-phrase';
import { oldAnnouncement } from './outdated/old-announcement';
import { oldShellLink } from './outdated/old-shell-link';
import { otherCourse } from './outdated/other-course';
import { pastTermMention } from './outdated/past-term-mention';
import { placeholderText } from './outdated/placeholder-text';
import { supersededVersion } from './outdated/superseded-version';
import { textDateOutsideTerm } from './outdated/text-date-outside-term';
import { textDayOutsideTerm } from './outdated/text-day-outside-term';
import { unchangedAssessment } from './outdated/unchanged-assessment';
import { untouched } from './outdated/untouched';
import { weekdayMismatch } from './outdated/weekday-mismatch';
import { emptiness } from './readiness/emptiness';
import { noHomePage } from './readiness/no-home-page';
import { noSyllabus } from './readiness/no-syllabus';
import { termDates } from './readiness/term-dates';
import { titleTerm } from './readiness/title-term';
import { undatedActivity } from './readiness/undated-activity';
import { unfilledTemplate } from './readiness/unfilled-template';
import { weights } from './readiness/weights';
import { catchAllCategory } from './structure/catch-all-category';
import { deepNesting } from './structure/deep-nesting';
import { misfiled } from './structure/misfiled';
import { mixedNaming } from './structure/mixed-naming';
import { numberGap } from './structure/number-gap';
import { numberOrder } from './structure/number-order';
import { numberRepeat } from './structure/number-repeat';
import { singleItemFolder } from './structure/single-item-folder';
import { tailBlock } from './structure/tail-block';
import { exposedKey } from './visibility/exposed-key';
import { hiddenGraded } from './visibility/hidden-graded';
import { hiddenItem } from './visibility/hidden-item';
import { hiddenTarget } from './visibility/hidden-target';
import { lockedOut } from './visibility/locked-out';
import { neverOpen } from './visibility/never-open';
import { shadowed } from './visibility/shadowed';
import { unreadableFile } from './visibility/unreadable-file';

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

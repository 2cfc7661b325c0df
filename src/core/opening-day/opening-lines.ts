import type { CheckId } from '@/core/checks/finding/finding';

/** One thing that should be true on the day on which students come in, and the checks that ask for it. */
export interface OpeningLine {
  readonly id: string;
  readonly title: string;
  readonly checks: readonly CheckId[];
}

const line = (id: string, title: string, ...checks: readonly string[]): OpeningLine => ({
  id,
  title,
  checks: checks as readonly CheckId[],
});

/** The opening-day list, in the order in which a teacher goes through a shell; common practice, no source. */
export const openingLines: readonly OpeningLine[] = [
  line('term', 'The term’s dates are set, and fit the dates in the shell', 'readiness.term-dates'),
  line('title', 'The title names this term', 'readiness.title-term'),
  line('home', 'A home page is in use', 'readiness.no-home-page', 'orphan.unused-home-page'),
  line('syllabus', 'There is a syllabus', 'readiness.no-syllabus'),
  line('dated', 'Everything graded has a due date', 'readiness.undated-activity'),
  line(
    'inside',
    'Every date lies inside the term, in its order',
    'outdated.date-outside-term',
    'outdated.date-order',
    'visibility.never-open',
    'calendar.outside-term',
    'calendar.overruns-term',
    'calendar.no-class-day',
    'calendar.due-mismatch',
  ),
  line(
    'stale',
    'Nothing speaks of another term or another course',
    'outdated.past-term-mention',
    'outdated.text-date-outside-term',
    'outdated.text-day-outside-term',
    'outdated.weekday-mismatch',
    'outdated.other-course',
    'outdated.old-announcement',
    'outdated.old-shell-link',
    'calendar.carried-over',
    'calendar.meeting-link',
  ),
  line(
    'finished',
    'No text is left to be filled in',
    'outdated.placeholder-text',
    'outdated.leftover-phrase',
    'readiness.unfilled-template',
  ),
  line('links', 'Every link inside the shell leads somewhere', 'orphan.broken-link'),
  line('outside-links', 'Every link out of the shell answers', 'outdated.dead-link'),
  line(
    'hidden',
    'What is linked can be opened by students',
    'visibility.hidden-target',
    'visibility.unreadable-file',
    'visibility.locked-out',
    'visibility.shadowed',
  ),
  line('keys', 'No answers are in sight', 'visibility.exposed-key'),
  line(
    'weights',
    'The grade weights sum to 100, and nothing graded is out of sight',
    'readiness.weights',
    'visibility.hidden-graded',
    'structure.catch-all-category',
  ),
];

import type { Family, ListedFinding, Urgency } from '@/core/checks/finding/finding';
import { TeachingWeeks } from '@/core/redate/teaching-weeks';
import type { CourseEvent, Shell } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { addDays, dateOf, isoWeekday, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { mondayOf } from '@/core/time/term';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { runRules } from '@/services/keep/rules/run-rules';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { plannedShell } from '@/services/keep/plan/planned-shell';

export type MarkKind = 'event' | 'due' | 'closes';

/** One date in the calendar: of an event, or of an item that is due or closes. */
export interface CalendarMark {
  /** The ref and the moment: a series has a mark for each of its dates. */
  readonly key: string;
  readonly kind: MarkKind;
  readonly ref: string;
  readonly title: string;
  readonly at: LocalDateTime;
  readonly allDay: boolean;
  /** How many dates the event has; 1 for what stands alone. */
  readonly dates: number;
  readonly links: readonly string[];
  readonly made: LocalDate | null;
  /** What was found about it, the most urgent first. */
  readonly finding: { readonly id: string; readonly title: string; readonly family: Family } | null;
}

export interface SheetDay {
  readonly day: LocalDate;
  readonly inTerm: boolean;
  readonly noClass: boolean;
}
export interface SheetWeek {
  readonly monday: LocalDate;
  /** The teaching week’s number; null for a week without class. */
  readonly number: number | null;
  readonly days: readonly SheetDay[];
}

/** The calendar of a shell as the plan so far would leave it. */
export interface CalendarView {
  readonly id: string;
  readonly headline: string;
  readonly term: { readonly title: string; readonly start: LocalDate | null; readonly end: LocalDate | null };
  /** The weeks of the term; empty where its days are not known. */
  readonly weeks: readonly SheetWeek[];
  readonly marks: readonly CalendarMark[];
  /** It was not combed yet: nothing is known to be wrong, and nothing to be right. */
  readonly isCombed: boolean;
}

export function calendarView(folder: OpenFolder, current: CurrentShell): CalendarView {
  const shell = plannedShell(folder, current, runRules(folder, current));
  const open = current.audit
    ? listedFindings(folder.db, current.audit.id, courseOf(current.row), 'open')
    : [];
  const marks = marksOf(shell, worstBySubject(open));
  return {
    id: current.row.id,
    headline: headlineOf(marks, current.audit !== null),
    term: shell.term,
    weeks: weeksOf(shell),
    marks,
    isCombed: current.audit !== null,
  };
}

const order: readonly Urgency[] = ['fix-first', 'look-at', 'tidy'];

/** The most urgent finding about each thing. */
function worstBySubject(findings: readonly ListedFinding[]): ReadonlyMap<string, ListedFinding> {
  const worst = new Map<string, ListedFinding>();
  for (const finding of findings)
    for (const { type, ref } of finding.subjects) {
      const known = worst.get(`${type} ${ref}`);
      if (!known || order.indexOf(finding.urgency) < order.indexOf(known.urgency))
        worst.set(`${type} ${ref}`, finding);
    }
  return worst;
}

function marksOf(shell: Shell, worst: ReadonlyMap<string, ListedFinding>): CalendarMark[] {
  const findingOf = (key: string): CalendarMark['finding'] => {
    const finding = worst.get(key);
    return finding ? { id: finding.id, title: finding.title, family: finding.family } : null;
  };
  const ofEvents = shell.events.flatMap((event) => marksOfEvent(event, findingOf(`event ${event.ref}`)));
  const ofItems = shell.items.flatMap((item): CalendarMark[] =>
    (['due', 'closes'] as const).flatMap((kind) => {
      const at = item[kind];
      // What closes at the moment it is due is one date.
      if (at === null || (kind === 'closes' && item.due === at)) return [];
      return [
        {
          key: `${item.ref} ${kind}`,
          kind,
          ref: item.ref,
          title: item.title,
          at,
          allDay: false,
          dates: 1,
          links: [],
          made: item.created === null ? null : dateOf(item.created),
          finding: datesFinding(findingOf(`item ${item.ref}`)),
        },
      ];
    }),
  );
  return [...ofEvents, ...ofItems].sort((a, b) => (a.at < b.at ? -1 : 1));
}

/** Of what is wrong with an item, only what is about dates belongs into the calendar. */
const datesFinding = (finding: CalendarMark['finding']): CalendarMark['finding'] =>
  finding !== null && (finding.family === 'outdated' || finding.family === 'calendar') ? finding : null;

const marksOfEvent = (event: CourseEvent, finding: CalendarMark['finding']): CalendarMark[] =>
  event.occurrences.map((at) => ({
    key: `${event.ref} ${at}`,
    kind: 'event',
    ref: event.ref,
    title: event.title,
    at,
    allDay: event.allDay,
    dates: event.occurrences.length,
    links: event.links,
    made: event.created === null ? null : dateOf(event.created),
    finding,
  }));

function headlineOf(marks: readonly CalendarMark[], isCombed: boolean): string {
  if (marks.length === 0) return 'The calendar is empty, and nothing is due';
  const dates = plural(marks.length, 'date');
  if (!isCombed) return `${dates} in the calendar, not combed yet`;
  const wrong = marks.filter((mark) => mark.finding !== null).length;
  return wrong === 0 ? `${dates}, and nothing found about them` : `${wrong} of ${dates} carry a finding`;
}

function weeksOf(shell: Shell): SheetWeek[] {
  const { start, end } = shell.term;
  if (start === null || end === null || end < start) return [];
  const weeks = new TeachingWeeks({ start, end, noClass: new Set(shell.noClassDays) });
  const sheet: SheetWeek[] = [];
  for (let monday = mondayOf(start); monday <= end; monday = addDays(monday, 7))
    sheet.push({
      monday,
      number: weeks.weekOf(monday),
      days: Array.from({ length: 7 }, (_, n) => sheetDay(addDays(monday, n), weeks)),
    });
  return sheet;
}

export function sheetDay(day: LocalDate, weeks: TeachingWeeks): SheetDay {
  const { start, end, noClass } = weeks.term;
  const isWorkday = isoWeekday(day) <= 5;
  return { day, inTerm: day >= start && day <= end, noClass: isWorkday && noClass.has(day) };
}

import { entryOf, putEntry } from '@/core/entries';
import type { GradeCategory, GradeColumn, Term } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef } from '@/core/refs/refs';
import type { IntakeNote } from '@/core/shell/result';
import { clipTitle } from '@/core/text/clip';
import { titleKey } from '@/core/text/normalise';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import type { RosterRow, RosterTables } from './read-tables';

/** What a roster tells about one class. No person's name is in it. */
export interface Roster {
  readonly code: string | null;
  readonly title: string | null;
  readonly term: Term | null;
  readonly previousTerm: Term | null;
  readonly schoolYear: Term | null;
  /** How many people have each role. */
  readonly enrolments: Readonly<Record<string, number>>;
  readonly gradeCategories: readonly GradeCategory[];
  readonly gradeColumns: readonly GradeColumn[];
  readonly notes: readonly IntakeNote[];
}

interface Session extends Term {
  readonly id: string;
  readonly type: string;
  readonly start: LocalDate;
  readonly end: LocalDate;
  readonly parent: string;
}

/** What is asked of a roster: whose class, and on which day. */
export interface WantedClass {
  readonly code: string | null;
  readonly asOf: LocalDate;
}
type Note = (code: string, message: string, where?: string) => void;

/** The class's own row among the roster's; by code where there are several. */
export function readRoster(tables: RosterTables, wanted: WantedClass, name: string): Roster {
  const notes: IntakeNote[] = [];
  const note: Note = (code, message, where = name) => notes.push({ code, message, where });
  const courses = new Map((tables.courses ?? []).map((row) => [idOf(row), row]));
  const courseOf = (klass: RosterRow | null) => courses.get(klass?.['courseSourcedId'] ?? '');
  const klass = classOf(tables.classes ?? [], wanted.code, courseOf, note);
  // A set of grade tables alone, as we write it, is one class's.
  const isOurs = (classId: string | undefined) =>
    tables.classes === null || !classId || (klass !== null && classId === klass['sourcedId']);
  const sessions = readSessions(tables.academicSessions ?? [], note);
  const named = (klass?.['termSourcedIds'] ?? '').split(/[,\s]+/).filter((id) => id);
  const term = termOf(sessions, named, wanted.asOf);
  const enrolments: Record<string, number> = {};
  for (const { classId, role, people } of tables.enrollments ?? [])
    if (isOurs(classId))
      putEntry(enrolments, role || 'unknown', (entryOf(enrolments, role || 'unknown') ?? 0) + people);
  return {
    code: courseOf(klass)?.['courseCode'] || klass?.['classCode'] || null,
    title: klass?.['title'] || courseOf(klass)?.['title'] || null,
    term,
    previousTerm: previousOf(sessions, term),
    schoolYear: yearOf(sessions, term),
    enrolments,
    ...readGradeSetup(tables, isOurs, note, name),
    notes,
  };
}

/** Every row that counts has one. */
const idOf = (row: RosterRow): string => row['sourcedId'] ?? '';

/** The class that is asked for; null where none is, or where none of several has the code. */
function classOf(
  classes: readonly RosterRow[],
  code: string | null,
  courseOf: (klass: RosterRow) => RosterRow | undefined,
  note: Note,
): RosterRow | null {
  const wanted = code === null ? null : titleKey(code);
  const codesOf = (klass: RosterRow) =>
    [klass['classCode'], courseOf(klass)?.['courseCode']].flatMap((known) =>
      known ? [titleKey(known)] : [],
    );
  const fitting = wanted === null ? classes : classes.filter((klass) => codesOf(klass).includes(wanted));
  const only = classes.length === 1 ? classes[0] : undefined;
  const klass = fitting[0] ?? only ?? null;
  if (classes.length > 1 && !klass)
    note(
      'roster-class',
      `none of the roster’s ${classes.length} classes has the code “${code ?? ''}”; its people and grade columns are left out`,
    );
  if (fitting.length > 1)
    note(
      'roster-class',
      `${fitting.length} classes fit; “${klass?.['title'] ?? ''}” is taken. Give the code to take another`,
    );
  return klass;
}

function readGradeSetup(
  tables: RosterTables,
  isOurs: (classId: string | undefined) => boolean,
  note: Note,
  name: string,
): Pick<Roster, 'gradeCategories' | 'gradeColumns'> {
  const categories = (tables.categories ?? []).map((row): GradeCategory => ({
    ref: gradeCategoryRef(idOf(row)),
    title: clipTitle(row['title'] ?? ''),
    weight: number(row['weight']),
    extra: rest(row, ['sourcedId', 'status', 'title', 'weight']),
  }));
  const known = new Set<string>(categories.map((category) => category.ref));
  const lineItems = tables.lineItems ?? [];
  const columns = lineItems
    .filter((row) => isOurs(row['classSourcedId']))
    .map((row): GradeColumn => {
      const category = row['categorySourcedId'] ?? '';
      if (category && !known.has(category))
        note(
          'roster-category',
          `the line item “${row['title']}” names the category ${category}, which is not there`,
          `${name}, lineItems.csv`,
        );
      return {
        ref: gradeColumnRef(idOf(row)),
        title: clipTitle(row['title'] ?? ''),
        category: known.has(category) ? gradeCategoryRef(category) : null,
        points: number(row['resultValueMax']),
        results: tables.results === null ? null : (tables.results.get(idOf(row)) ?? 0),
        extra: rest(row, ['sourcedId', 'status', 'title', 'categorySourcedId', 'resultValueMax']),
      };
    });
  const used = new Set(lineItems.map((row) => row['categorySourcedId'] ?? ''));
  const ours = new Set<string | null>(columns.map((column) => column.category));
  return {
    // A category that only another class uses is that class's.
    gradeCategories: categories.filter(({ ref }) => ours.has(ref) || !used.has(ref)),
    gradeColumns: columns,
  };
}

function readSessions(rows: readonly RosterRow[], note: Note): Session[] {
  return rows.flatMap((row): Session[] => {
    const [start, end] = [parseLocalDate(row['startDate'] ?? ''), parseLocalDate(row['endDate'] ?? '')];
    if (!start || !end) {
      note('roster-session', `the session “${row['title']}” has no readable dates; it is left out`);
      return [];
    }
    return [
      {
        id: idOf(row),
        title: row['title'] ?? '',
        type: row['type'] ?? '',
        start,
        end,
        parent: row['parentSourcedId'] ?? '',
      },
    ];
  });
}

const isTerm = (s: Session): boolean => /^(term|semester)$/i.test(s.type);
const plain = (s: Session): Term => ({ title: s.title, start: s.start, end: s.end });

/** The session that the class names; else the term session that holds the as-of day, else the next one after it. */
function termOf(sessions: readonly Session[], named: readonly string[], asOf: LocalDate): Term | null {
  const classSessions = sessions.filter((s) => named.includes(s.id));
  const best = classSessions.find(isTerm) ?? classSessions[0];
  if (best) return plain(best);
  const terms = sessions.filter(isTerm).sort((a, b) => (a.start < b.start ? -1 : 1));
  const found = terms.find((s) => s.start <= asOf && asOf <= s.end) ?? terms.find((s) => s.start > asOf);
  return found ? plain(found) : null;
}

/** The latest term session that ended before this term began. */
function previousOf(sessions: readonly Session[], term: Term | null): Term | null {
  if (!term?.start) return null;
  const { start } = term;
  const before = sessions
    .filter((s) => isTerm(s) && s.end < start)
    .sort((a, b) => (a.end < b.end ? 1 : -1))[0];
  return before ? plain(before) : null;
}

function yearOf(sessions: readonly Session[], term: Term | null): Term | null {
  if (!term?.start) return null;
  const { start } = term;
  const year = sessions.find((s) => /^schoolYear$/i.test(s.type) && s.start <= start && start <= s.end);
  return year ? plain(year) : null;
}

function number(text: string | undefined): number | null {
  if (text === undefined || text === '') return null;
  const n = Number(text);
  return Number.isFinite(n) ? n : null;
}

/** The columns that no reader understands, carried through. */
const rest = (row: RosterRow, read: readonly string[]): Record<string, string> =>
  Object.fromEntries(Object.entries(row).filter(([column, value]) => value !== '' && !read.includes(column)));

import type { GradeCategory, GradeColumn, Term } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef } from '@/core/shell/refs';
import type { IntakeNote } from '@/core/shell/result';
import { titleKey } from '@/core/text/normalise';
import { parseLocalDate, type LocalDate } from '@/core/time/local-date';
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

/** The class's own row among the roster's; by code where there are several. */
export function readRoster(
  tables: RosterTables,
  wanted: { readonly code: string | null; readonly asOf: LocalDate },
  name: string,
): Roster {
  const notes: IntakeNote[] = [];
  const note = (code: string, message: string, where = name) => notes.push({ code, message, where });
  const courses = new Map((tables.courses ?? []).map((c) => [c['sourcedId']!, c]));
  const course = (klass: RosterRow | undefined) => courses.get(klass?.['courseSourcedId'] ?? '');
  const classes = tables.classes ?? [];
  const codes = (klass: RosterRow) =>
    [klass['classCode'], course(klass)?.['courseCode']].filter((c) => c).map((c) => titleKey(c!));
  const fitting =
    wanted.code === null ? classes : classes.filter((c) => codes(c).includes(titleKey(wanted.code!)));
  const klass = fitting[0] ?? (classes.length === 1 ? classes[0] : undefined);
  if (classes.length > 1 && !klass)
    note(
      'roster-class',
      `none of the roster’s ${classes.length} classes has the code “${wanted.code ?? ''}”; its people and grade columns are left out`,
    );
  if (fitting.length > 1)
    note(
      'roster-class',
      `${fitting.length} classes fit; “${klass?.['title'] ?? ''}” is taken. Give the code to take another`,
    );
  // A set of grade tables alone, as we write it, is one class's.
  const own = (row: RosterRow) =>
    tables.classes === null ||
    !row['classSourcedId'] ||
    (klass !== undefined && row['classSourcedId'] === klass['sourcedId']);

  const sessions = readSessions(tables.academicSessions ?? [], note);
  const term = termOf(
    sessions,
    (klass?.['termSourcedIds'] ?? '').split(/[,\s]+/).filter((t) => t),
    wanted.asOf,
  );
  const results = tables.results;
  const counted = new Map<string, number>();
  for (const r of results ?? [])
    counted.set(r['lineItemSourcedId'] ?? '', (counted.get(r['lineItemSourcedId'] ?? '') ?? 0) + 1);
  const categories = (tables.categories ?? []).map((c): GradeCategory => ({
    ref: gradeCategoryRef(c['sourcedId']!),
    title: c['title'] ?? '',
    weight: number(c['weight']),
    extra: rest(c, ['sourcedId', 'status', 'title', 'weight']),
  }));
  const known = new Set<string>(categories.map((c) => c.ref));
  const columns = (tables.lineItems ?? []).filter(own).map((l): GradeColumn => {
    const category = l['categorySourcedId'] ?? '';
    if (category && !known.has(category))
      note(
        'roster-category',
        `the line item “${l['title']}” names the category ${category}, which is not there`,
        `${name}, lineItems.csv`,
      );
    return {
      ref: gradeColumnRef(l['sourcedId']!),
      title: l['title'] ?? '',
      category: known.has(category) ? gradeCategoryRef(category) : null,
      points: number(l['resultValueMax']),
      results: results === null ? null : (counted.get(l['sourcedId']!) ?? 0),
      extra: rest(l, ['sourcedId', 'status', 'title', 'categorySourcedId', 'resultValueMax']),
    };
  });
  const used = new Set((tables.lineItems ?? []).map((l) => l['categorySourcedId'] ?? ''));
  const mine = new Set<string | null>(columns.map((c) => c.category));
  const enrolments: Record<string, number> = {};
  for (const e of (tables.enrollments ?? []).filter(own))
    enrolments[e['role'] || 'unknown'] = (enrolments[e['role'] || 'unknown'] ?? 0) + 1;
  return {
    code: course(klass)?.['courseCode'] || klass?.['classCode'] || null,
    title: klass?.['title'] || course(klass)?.['title'] || null,
    term,
    previousTerm: previousOf(sessions, term),
    schoolYear: yearOf(sessions, term),
    enrolments,
    // A category that only another class uses is that class's.
    gradeCategories: categories.filter((c) => mine.has(c.ref) || !used.has(c.ref)),
    gradeColumns: columns,
    notes,
  };
}

function readSessions(rows: readonly RosterRow[], note: (code: string, message: string) => void): Session[] {
  return rows.flatMap((row): Session[] => {
    const [start, end] = [parseLocalDate(row['startDate'] ?? ''), parseLocalDate(row['endDate'] ?? '')];
    if (!start || !end) {
      note('roster-session', `the session “${row['title']}” has no readable dates; it is left out`);
      return [];
    }
    return [
      {
        id: row['sourcedId']!,
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
  const own = sessions.filter((s) => named.includes(s.id));
  const best = own.find(isTerm) ?? own[0];
  if (best) return plain(best);
  const terms = sessions.filter(isTerm).sort((a, b) => (a.start < b.start ? -1 : 1));
  const found = terms.find((s) => s.start <= asOf && asOf <= s.end) ?? terms.find((s) => s.start > asOf);
  return found ? plain(found) : null;
}

/** The latest term session that ended before this term began. */
function previousOf(sessions: readonly Session[], term: Term | null): Term | null {
  if (!term?.start) return null;
  const before = sessions
    .filter((s) => isTerm(s) && s.end < term.start!)
    .sort((a, b) => (a.end < b.end ? 1 : -1))[0];
  return before ? plain(before) : null;
}

function yearOf(sessions: readonly Session[], term: Term | null): Term | null {
  if (!term?.start) return null;
  const year = sessions.find(
    (s) => /^schoolYear$/i.test(s.type) && s.start <= term.start! && term.start! <= s.end,
  );
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

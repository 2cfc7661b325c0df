import { entryOf } from '@/core/entries';
import type { Shell, Term } from '@/core/shell/model';
import type { Roster } from './read-roster';

/** Brings what a roster tells into a shell; where it has no results, `known` tells how many each column had. */
export function applyRoster(shell: Shell, roster: Roster, known: Readonly<Record<string, number>>): Shell {
  const term = (said: Term | null, other: Term | null): Term | null =>
    said ? { title: said.title || (other?.title ?? ''), start: said.start, end: said.end } : other;
  return {
    ...shell,
    code: roster.code ?? shell.code,
    term: term(roster.term, shell.term) ?? shell.term,
    previousTerm: term(roster.previousTerm, shell.previousTerm),
    schoolYear: roster.schoolYear ?? shell.schoolYear,
    enrolments: Object.keys(roster.enrolments).length ? roster.enrolments : shell.enrolments,
    gradeCategories: roster.gradeCategories,
    gradeColumns: roster.gradeColumns.map((c) => ({
      ...c,
      results: c.results ?? entryOf(known, c.ref) ?? null,
    })),
  };
}

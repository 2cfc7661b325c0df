import type { Shell, Term } from '@/core/shell/model';
import { english } from '@/core/text/english';
import { seasonOrder, type Season } from '@/core/text/language';
import { namedTerms, type TermMeaning } from '@/core/text/named-terms';

/** Where a shell's own term stands among terms that texts name. */
export interface OwnTerm {
  /** True where a named term or year lies before the shell's own; a term that can't be told apart is not past. */
  isPast(named: TermMeaning): boolean;
  /** True where a named term or year is another one for sure, earlier or later. */
  isOther(named: TermMeaning): boolean;
  /** The calendar year in which the term begins; null where nobody told. */
  readonly year: number | null;
}

/** The last month in which a season's term can still run (northern terms; common practice, no source). */
const lastMonth: Readonly<Record<Season, number>> = { winter: 3, spring: 6, summer: 9, autumn: 12 };

/** The first month in which it can begin. */
const firstMonth: Readonly<Record<Season, number>> = { winter: 1, spring: 1, summer: 5, autumn: 8 };

/** Reads the shell's own term from its title, and from its days where the title does not say. */
export function ownTerm(shell: Pick<Shell, 'term' | 'schoolYear'>): OwnTerm {
  const { term } = shell;
  const meanings = namedTerms(term.title, english).map((n) => n.means);
  const season = meanings.find((m) => m.kind === 'season');
  const numbered = meanings.find((m) => m.kind === 'numbered');
  const start = term.start;
  const startYear = start ? Number(start.slice(0, 4)) : (season?.year ?? numbered?.year ?? null);
  const academic =
    academicYearOf(term, shell.schoolYear) ?? meanings.find((m) => m.kind === 'year')?.from ?? null;
  // Where spring begins in August or later, the year's seasons come in the southern order.
  const southern = season?.season === 'spring' && start !== null && Number(start.slice(5, 7)) >= 8;
  const order = (s: Season) => (southern ? (seasonOrder[s] + 2) % 4 : seasonOrder[s]);
  const isPast = (named: TermMeaning): boolean => {
    switch (named.kind) {
      case 'season':
        if (season)
          return (
            named.year < season.year ||
            (named.year === season.year && order(named.season) < order(season.season))
          );
        return start !== null && `${named.year}-${twoDigits(lastMonth[named.season])}` < start.slice(0, 7);
      case 'numbered':
        if (numbered && numbered.word === named.word)
          return (
            named.year < numbered.year || (named.year === numbered.year && named.number < numbered.number)
          );
        return startYear !== null && named.year < startYear;
      case 'year':
        return academic !== null && named.from < academic;
    }
  };
  const isLater = (named: TermMeaning): boolean => {
    switch (named.kind) {
      case 'season':
        if (season)
          return (
            named.year > season.year ||
            (named.year === season.year && order(named.season) > order(season.season))
          );
        return (
          term.end !== null && `${named.year}-${twoDigits(firstMonth[named.season])}` > term.end.slice(0, 7)
        );
      case 'numbered':
        if (numbered && numbered.word === named.word)
          return (
            named.year > numbered.year || (named.year === numbered.year && named.number > numbered.number)
          );
        return term.end !== null && named.year > Number(term.end.slice(0, 4));
      case 'year':
        return academic !== null && named.from > academic;
    }
  };
  return { year: startYear, isPast, isOther: (named) => isPast(named) || isLater(named) };
}

const twoDigits = (n: number) => String(n).padStart(2, '0');

/** The calendar year in which the academic year of a term begins: the roster's school year, else 1 July to 30 June. */
export function academicYearOf(term: Term, schoolYear: Term | null): number | null {
  if (schoolYear?.start) return Number(schoolYear.start.slice(0, 4));
  if (!term.start) return null;
  const year = Number(term.start.slice(0, 4));
  return Number(term.start.slice(5, 7)) >= 7 ? year : year - 1;
}

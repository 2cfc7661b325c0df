import { english } from '@/core/text/english';
import { namedTerms } from '@/core/text/named-terms';
import { titleKey } from '@/core/text/normalise';
import type { Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { addDays, spellDate, type LocalDate } from '@/core/dates/local-date';

/** A term as the house rules know it: the same days for every shell of the house. */
export interface HouseTerm {
  readonly title: string;
  readonly start: LocalDate;
  readonly end: LocalDate;
  readonly noClass: readonly LocalDate[];
}
/** The days without class that the house knows of the term with just these days. */
export const houseNoClass = (
  { start, end }: { readonly start: LocalDate | null; readonly end: LocalDate | null },
  terms: readonly HouseTerm[],
): readonly LocalDate[] => terms.find((term) => term.start === start && term.end === end)?.noClass ?? [];

type Known = Pick<Shell, 'term' | 'asOf' | 'code' | 'title' | 'frame' | 'noClassDays'>;

/** A shell is made ready so many days before its term at most, where nobody said which term is meant. */
const readyBefore = 60;

/**
 * The house's term that a shell belongs to: the one with the days or the title that were given. Where nothing was, the
 * one that the shell's title names among those not over yet, or else the first of them, if it is near.
 */
export function houseTermOf(
  shell: Known,
  terms: readonly HouseTerm[],
): { readonly term: HouseTerm; readonly why: string } | null {
  const { start, end, title } = shell.term;
  if (start || end) {
    const same = terms.find((t) => (start === null || t.start === start) && (end === null || t.end === end));
    return same ? { term: same, why: 'it has the days that were given' } : null;
  }
  if (title) {
    const same = terms.find((t) => isSame(t.title, title));
    return same ? { term: same, why: `that is “${title}”` } : null;
  }
  const open = terms.filter((t) => t.end >= shell.asOf).sort((a, b) => (a.start < b.start ? -1 : 1));
  const names = [shell.title, shell.code.replace(/[-_.]+/g, ' '), shell.frame.title];
  const named = open.find((t) =>
    names.some((name) => meanings(name).some((m) => meanings(t.title).includes(m))),
  );
  if (named) return { term: named, why: 'the shell’s title names it' };
  const next = open[0];
  return next && next.start <= addDays(shell.asOf, readyBefore)
    ? { term: next, why: `it is the first that is not over on ${spellDate(shell.asOf)}` }
    : null;
}

const meanings = (text: string): string[] => namedTerms(text, english).map((n) => JSON.stringify(n.means));
/** “Spring 2027” and “Spring term 2027” are one. */
const isSame = (a: string, b: string): boolean =>
  titleKey(a) === titleKey(b) || meanings(a).some((m) => meanings(b).includes(m));

/** Fills in what nobody said of the term and of its days without class. */
export function withHouseTerm<T extends Known>(
  shell: T,
  terms: readonly HouseTerm[],
): { readonly shell: T; readonly notes: readonly IntakeNote[] } {
  const known = houseTermOf(shell, terms);
  if (!known) return { shell, notes: [] };
  const { term, why } = known;
  const filled = {
    title: shell.term.title || term.title,
    start: shell.term.start ?? term.start,
    end: shell.term.end ?? term.end,
  };
  const tookDays = shell.term.start === null || shell.term.end === null;
  const tookBreaks = shell.noClassDays.length === 0 && term.noClass.length > 0;
  const took = [tookDays ? 'its first and last day' : '', tookBreaks ? 'its days without class' : '']
    .filter((t) => t !== '')
    .join(' and ');
  return {
    shell: { ...shell, term: filled, noClassDays: tookBreaks ? term.noClass : shell.noClassDays },
    notes: took
      ? [
          {
            code: 'term-of-the-house',
            message: `the term is “${term.title}” of the house rules, which give ${took}: ${why}`,
            where: '',
          },
        ]
      : [],
  };
}

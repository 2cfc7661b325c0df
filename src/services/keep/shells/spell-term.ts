import { spellDate, type LocalDate } from '@/core/dates/local-date';

/** A term in one line: its title, else its days, else that nobody told. */
export function spellTerm(row: {
  termTitle: string;
  termStart: string | null;
  termEnd: string | null;
}): string {
  if (row.termTitle) return row.termTitle;
  if (row.termStart && row.termEnd)
    return `${spellDate(row.termStart as LocalDate)} to ${spellDate(row.termEnd as LocalDate)}`;
  return 'term not known';
}

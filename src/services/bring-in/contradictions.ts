import type { ShellInputs } from './shell-inputs';

type TermDays = Pick<ShellInputs, 'termStart' | 'termEnd' | 'previousTermStart' | 'previousTermEnd'>;

/** What is told about the terms and can't be true at once, in one sentence; null where all of it can. */
export function termContradiction(told: TermDays): string | null {
  const { termStart, termEnd, previousTermStart, previousTermEnd } = told;
  if (termStart && termEnd && termEnd < termStart)
    return `The term ends on ${termEnd}, before it begins on ${termStart}; exchange the two dates.`;
  if (previousTermStart && previousTermEnd && previousTermEnd < previousTermStart)
    return `The previous term ends on ${previousTermEnd}, before it begins on ${previousTermStart}; exchange the two dates.`;
  if (termStart && previousTermStart && previousTermStart >= termStart)
    return `The previous term begins on ${previousTermStart}, and the term itself on ${termStart}; the previous one comes first.`;
  return null;
}

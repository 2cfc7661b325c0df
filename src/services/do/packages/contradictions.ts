import { termFault } from '@/core/shell/term-length';
import type { ShellInputs } from './shell-inputs';

type TermDays = Pick<ShellInputs, 'termStart' | 'termEnd' | 'previousTermStart' | 'previousTermEnd'>;

/** What is told about the terms and can't be true, in one sentence; null where all of it can. Either may come first. */
export function termContradiction(told: TermDays): string | null {
  const { termStart, termEnd, previousTermStart, previousTermEnd } = told;
  const ofTerm = termFault({ start: termStart ?? null, end: termEnd ?? null });
  if (ofTerm !== null) return `The term ${ofTerm}. Correct its two days.`;
  const ofPrevious = termFault({ start: previousTermStart ?? null, end: previousTermEnd ?? null });
  return ofPrevious === null ? null : `The previous term ${ofPrevious}. Correct its two days.`;
}

import type { Missing } from './check';

/** The words of the first condition that holds; null where none does. */
export const firstReason = (
  ...reasons: readonly (readonly [holds: unknown, words: string | Missing])[]
): string | Missing | null => reasons.find(([holds]) => Boolean(holds))?.[1] ?? null;

import type { WebAnswer } from './web-answer';

/** What is known of the addresses outside, as checks ask it; null in the facts where nobody asked any. */
export interface Probe {
  answerOf(url: string): WebAnswer | null;
}

/** `null` where nothing was asked yet, which is not the same as nothing found. */
export function probeOf(answers: readonly WebAnswer[] | null): Probe | null {
  if (answers === null) return null;
  const byUrl = new Map(answers.map((answer) => [answer.url, answer]));
  return { answerOf: (url) => byUrl.get(url) ?? null };
}

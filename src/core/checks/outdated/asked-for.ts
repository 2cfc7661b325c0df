import { english } from '@/core/text/english';
import { sentenceAround } from '@/core/text/sentence';
import type { Passage } from '@/core/checks/facts/passages';

/** How far a word that asks may stand from the date, in characters. */
const reach = 90;

/** Does a date ask something of students: a word of obligation near it in its sentence, or “by” and “until” right before it? */
export function isAskedFor(passage: Passage, start: number, end: number): boolean {
  const { text } = passage;
  if (english.deadlineBefore.test(text.slice(Math.max(0, start - 40), start))) return true;
  // A date alone in brackets says when something was, not when it shall be.
  if (text[start - 1] === '(' && text[end] === ')') return false;
  const sentence = sentenceAround(text, start, end);
  return english.obligation.test(
    text.slice(Math.max(sentence.start, start - reach), Math.min(sentence.end, end + reach)),
  );
}

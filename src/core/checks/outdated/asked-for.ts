import { english } from '@/core/text/english';
import { sentenceAround } from '@/core/text/sentence';
import type { Passage } from '../passages';

/** Does a date ask something of students: words of obligation in its sentence, or “by” and “until” right before it? */
export function isAskedFor(passage: Passage, start: number, end: number): boolean {
  const sentence = sentenceAround(passage.text, start, end);
  return english.obligation.test(sentence.text) || english.deadlineBefore.test(passage.text.slice(Math.max(0, start - 40), start));
}

import { english } from './english';
import { escapePattern } from './escape-pattern';

/** Marks that mean answers where no house rules say others. */
export const usualKeyMarks: readonly string[] = ['AK', 'KEY'];

/** Does a name say that it holds answers: answer key, solutions as a label, or a short mark as a whole word in capitals? */
export function namesAnswers(name: string, keyMarks: readonly string[] = usualKeyMarks): boolean {
  if (english.answerName.test(name) || english.answerLabel.test(name)) return true;
  return keyMarks.some((mark) => new RegExp(`(?<![\\p{L}\\p{N}])${escapePattern(mark)}(?![\\p{L}\\p{N}])`, 'u').test(name));
}

import { english } from './english';
import { escapePattern } from './escape-pattern';

/** Marks that mean answers where no house rules say others. */
export const usualKeyMarks: readonly string[] = ['AK', 'KEY'];

const patterns = new WeakMap<readonly string[], RegExp | null>();

/** A pattern for any of the marks as a whole word; asked for every name of a shell with the same list. */
function markPattern(marks: readonly string[]): RegExp | null {
  let pattern = patterns.get(marks);
  if (pattern === undefined) {
    pattern = marks.length
      ? new RegExp(`(?<![\\p{L}\\p{N}])(?:${marks.map(escapePattern).join('|')})(?![\\p{L}\\p{N}])`, 'u')
      : null;
    patterns.set(marks, pattern);
  }
  return pattern;
}

/** Does a name say that it holds answers: answer key, solutions as a label, or a short mark as a whole word in capitals? */
export const namesAnswers = (name: string, keyMarks: readonly string[] = usualKeyMarks): boolean =>
  english.answerName.test(name) ||
  english.answerLabel.test(name) ||
  (markPattern(keyMarks)?.test(name) ?? false);

import { english } from './english';
import { compatible } from './compatible';
import { escapePattern } from './escape-pattern';

/** Marks that mean answers where no house rules say others. */
export const usualKeyMarks: readonly string[] = ['AK', 'KEY'];

const patterns = new WeakMap<readonly string[], RegExp | null>();

/** A pattern for any of the marks as a whole word, which may be joined to figures by nothing or a hyphen; asked for every name of a shell with the same list. */
function markPattern(marks: readonly string[]): RegExp | null {
  let pattern = patterns.get(marks);
  if (pattern === undefined) {
    pattern = marks.length
      ? new RegExp(
          `(?<!\\p{L})(?:${marks.map((mark) => escapePattern(compatible(mark))).join('|')})(?!\\p{L})`,
          'u',
        )
      : null;
    patterns.set(marks, pattern);
  }
  return pattern;
}

/** Does a name say that it holds answers: answer key, solutions as a label, or a short mark as a whole word in capitals? */
export function namesAnswers(name: string, keyMarks: readonly string[] = usualKeyMarks): boolean {
  const plain = compatible(name);
  return (
    english.answerName.test(plain) ||
    english.answerLabel.test(plain) ||
    (markPattern(keyMarks)?.test(plain) ?? false)
  );
}

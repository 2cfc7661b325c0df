import { escapePattern } from './escape-pattern';

/** A test for any of the words in a text, each as a whole: no letter stands before or behind it. Case does not matter. */
export function wholeWords(words: readonly string[]): (text: string) => boolean {
  if (words.length === 0) return () => false;
  const pattern = new RegExp(`(^|[^\\p{L}])(${words.map(escapePattern).join('|')})($|[^\\p{L}])`, 'iu');
  return (text) => pattern.test(text);
}

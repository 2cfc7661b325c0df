import { excerpt } from '../text/normalise';

/** Where two texts first part, each with a few words around; null where their words are equal. */
export function sayDifference(here: string, incoming: string): string | null {
  const [a, b] = [wordsOf(here), wordsOf(incoming)];
  let start = 0;
  while (start < a.length && start < b.length && a[start] === b[start]) start += 1;
  if (start === a.length && start === b.length) return null;
  let end = 0;
  while (end < a.length - start && end < b.length - start && a[a.length - 1 - end] === b[b.length - 1 - end])
    end += 1;
  const part = (words: readonly string[]) => {
    const from = Math.max(0, start - 3);
    const middle = words.slice(from, Math.max(start, words.length - end)).join(' ');
    return middle === '' ? 'nothing' : `“${from > 0 ? '… ' : ''}${excerpt(middle, 90)}”`;
  };
  return `the text says ${part(b)} instead of ${part(a)}`;
}

const wordsOf = (text: string): string[] => text.split(/\s+/u).filter((w) => w !== '');

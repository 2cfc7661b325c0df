import { titleKey } from './normalise';

const isWordCharacter = /[\p{L}\p{N}]/u;

/** Does a title have a word or phrase as a whole, or its plural? Case, width and white space do not count. */
export function hasWord(title: string, word: string): boolean {
  const [text, wanted] = [titleKey(title), titleKey(word)];
  if (wanted === '') return false;
  for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + 1)) {
    const before = text.slice(0, at).at(-1) ?? ' ';
    const behind = text.slice(at + wanted.length).replace(/^s(?![\p{L}\p{N}])/u, '');
    if (!isWordCharacter.test(before) && !isWordCharacter.test(behind.charAt(0))) return true;
  }
  return false;
}

/** Years and days that stay whole: 2023-24, 2023-2024, 2023-09-14. */
const whole = /(?:19|20)\d{2}-(?:\d{2}-\d{2}|(?:19|20)\d{2}|\d{2})(?!\d)/g;

/**
 * The words of a file's name: the folder and the ending gone; `_`, `-`, `.` and `+` count as spaces, but for those
 * inside a year or a day, and a year may stand close.
 */
export function nameWords(path: string): string {
  const name = path
    .slice(path.lastIndexOf('/') + 1)
    .replace(/\.[A-Za-z0-9]{1,5}$/, '')
    .replace(/%20/g, ' ');
  let words = '';
  let at = 0;
  for (const match of name.matchAll(whole)) {
    words += spaced(name.slice(at, match.index)) + match[0];
    at = match.index + match[0].length;
  }
  return (words + spaced(name.slice(at))).replace(/\s+/g, ' ').trim();
}

const spaced = (part: string): string => part.replace(/[_.\-+]+/g, ' ');

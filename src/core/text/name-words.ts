/** The words of a file's name: the folder and the ending gone; `_`, `-` and `.` count as spaces, and a year may stand close. */
export function nameWords(path: string): string {
  const name = path.slice(path.lastIndexOf('/') + 1).replace(/\.[A-Za-z0-9]{1,5}$/, '');
  return name
    .replace(/%20/g, ' ')
    .replace(/[_.\-+]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

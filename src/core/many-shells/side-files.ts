/** The side files of a shell, each with the ending that it has beside NAME.imscc (NAME.events.ics and so on). */
export const sideFileEndings = {
  events: 'events.ics',
  previousEvents: 'previous-events.ics',
  status: 'status.csv',
  roster: 'roster.zip',
  baseline: 'baseline.imscc',
} as const;
export type SideFile = keyof typeof sideFileEndings;
export const sideFiles = Object.keys(sideFileEndings) as SideFile[];

/** The name of a package without what makes it one. */
export const stemOf = (path: string): string => path.replace(/\.(imscc|zip)$/i, '');

/** Which side file a name is, and of which package’s stem; null for other names. */
export function sideFileOf(path: string): { readonly is: SideFile; readonly stem: string } | null {
  const lower = path.toLowerCase().replace(/\.baseline\.zip$/, '.baseline.imscc');
  const is = sideFiles.find((one) => lower.endsWith(`.${sideFileEndings[one]}`));
  if (is === undefined) return null;
  return {
    is,
    stem: path.slice(0, path.toLowerCase().lastIndexOf(`.${sideFileEndings[is].split('.')[0]}.`)),
  };
}

/** Which side file a name looks like where it is not called after its package. */
export function likelySideFile(path: string): SideFile | null {
  const name = path.slice(path.lastIndexOf('/') + 1);
  if (/\.ics$/i.test(name)) return /prev|last|old|before/i.test(name) ? 'previousEvents' : 'events';
  if (/\.csv$/i.test(name)) return 'status';
  if (/roster|grades/i.test(name) && /\.zip$/i.test(name)) return 'roster';
  return /baseline|template/i.test(name) && /\.(imscc|zip)$/i.test(name) ? 'baseline' : null;
}

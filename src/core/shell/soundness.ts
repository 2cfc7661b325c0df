import { parseLocalDate } from '@/core/dates/local-date';
import { termFault } from './term-length';
import { isTimeZone } from '@/core/dates/zones';
import type { Shell } from './model';
import { pathFault } from './package-path';

/** The most things of one list that are read: as many as a package may have entries. */
export const mostThings = 200_000;
/** The most levels of an outline: what walks it goes down level by level. */
export const mostLevels = 200;

/**
 * Why a shell can't be worked with, as a sentence without its end; null where it can. Every shell that was read from
 * outside, from a package, a host, or a data folder of somebody else's, passes here before anything else sees it: refs
 * name one thing each, the outline is a tree in its own order, days exist, and no path leaves the package.
 */
export function unsoundnessOf(shell: Shell): string | null {
  return (
    tooMany(shell) ?? twice(shell) ?? notATree(shell) ?? notAPath(shell) ?? notADay(shell) ?? notATerm(shell)
  );
}

interface NamedList {
  readonly what: string;
  readonly names: readonly string[];
}

const listsOf = (shell: Shell): readonly NamedList[] => [
  { what: 'items', names: shell.items.map(({ ref }) => ref) },
  { what: 'contents', names: shell.contents.map(({ id }) => id) },
  { what: 'files', names: [...shell.files, ...shell.entries].map(({ path }) => path) },
  { what: 'events', names: shell.events.map(({ ref }) => ref) },
  { what: 'grade categories', names: shell.gradeCategories.map(({ ref }) => ref) },
  { what: 'grade columns', names: shell.gradeColumns.map(({ ref }) => ref) },
  { what: 'question banks', names: shell.banks.map(({ ref }) => ref) },
  { what: 'groups', names: shell.groups.map(({ ref }) => ref) },
  { what: 'home pages', names: shell.homePages.map(({ ref }) => ref) },
];

function tooMany(shell: Shell): string | null {
  const long = listsOf(shell).find(({ names }) => names.length > mostThings);
  return long
    ? `it has ${long.names.length.toLocaleString('en')} ${long.what}, and at most ${mostThings.toLocaleString('en')} are read`
    : null;
}

function twice(shell: Shell): string | null {
  for (const { what, names } of listsOf(shell)) {
    const seen = new Set<string>();
    for (const name of names) {
      if (name === '') return `one of its ${what} has no identifier`;
      if (seen.has(name)) return `two of its ${what} have the identifier “${cut(name)}”`;
      seen.add(name);
    }
  }
  return null;
}

/** Every item comes after the module that it is in, with nothing foreign between; what is outside the outline comes last. */
function notATree({ items }: Shell): string | null {
  /** The modules that are open at this place, outermost first. */
  const open: string[] = [];
  const closed = new Set<string>();
  let isOutside = false;
  for (const { ref, parent, placed, title } of items) {
    if (!placed) {
      isOutside = true;
      if (parent !== null) return `“${cut(title)}” is outside the outline and in a module`;
      continue;
    }
    if (isOutside) return `“${cut(title)}” is in the outline, behind what is outside it`;
    while (open.length > 0 && open.at(-1) !== parent) closed.add(open.pop() ?? '');
    if (parent !== null && open.length === 0)
      return closed.has(parent)
        ? `“${cut(title)}” is apart from the other things of its module`
        : `“${cut(title)}” is in a module that is missing or comes later`;
    open.push(ref);
    if (open.length > mostLevels) return `its outline has more than ${mostLevels} levels`;
  }
  return null;
}

function notAPath({ files, entries, contents }: Shell): string | null {
  for (const { path } of [...files, ...entries]) {
    const fault = pathFault(path);
    if (fault !== null) return `the file “${cut(path)}” ${fault}`;
  }
  for (const { href, textPath, files: named } of contents)
    for (const path of [href, textPath, ...named]) {
      const fault = path === null ? null : pathFault(path);
      if (fault !== null) return `the file “${cut(path ?? '')}” ${fault}`;
    }
  return null;
}

const timePattern = /^T([01]\d|2[0-3]):[0-5]\d:[0-5]\d$/;

function notADay(shell: Shell): string | null {
  /** Days that were looked at already: a shell has many moments and few days. */
  const days = new Map<string, boolean>();
  const isDay = (text: string): boolean => {
    const known = days.get(text);
    if (known !== undefined) return known;
    const is = parseLocalDate(text) !== null;
    days.set(text, is);
    return is;
  };
  const isMoment = (text: string | null) =>
    text === null || (isDay(text.slice(0, 10)) && timePattern.test(text.slice(10)));
  for (const { title, opens, closes, due, created, modified } of shell.items)
    for (const moment of [opens, closes, due, created, modified])
      if (!isMoment(moment))
        return `“${cut(title)}” has the date “${cut(moment ?? '')}”, which no calendar has`;
  for (const { path, created, modified } of shell.files)
    for (const moment of [created, modified])
      if (!isMoment(moment))
        return `“${cut(path)}” has the date “${cut(moment ?? '')}”, which no calendar has`;
  for (const event of [...shell.events, ...(shell.previousEvents ?? [])])
    for (const moment of [
      event.start,
      event.end,
      event.created,
      event.stamped,
      event.modified,
      ...event.occurrences,
    ])
      if (!isMoment(moment))
        return `the event “${cut(event.title)}” has the date “${cut(moment ?? '')}”, which no calendar has`;
  const odd = [shell.asOf, ...shell.noClassDays].find((day) => !isDay(day));
  return odd === undefined ? null : `it names the day “${cut(odd)}”, which no calendar has`;
}

function notATerm({ term, previousTerm, schoolYear, timeZone }: Shell): string | null {
  for (const one of [term, previousTerm, schoolYear]) {
    const fault = one === null ? null : termFault(one);
    if (fault !== null) return `its term ${fault}`;
  }
  return isTimeZone(timeZone) ? null : `no time zone is called “${cut(timeZone)}”`;
}

const longestName = 80;
const cut = (text: string): string => (text.length > longestName ? `${text.slice(0, longestName)}…` : text);

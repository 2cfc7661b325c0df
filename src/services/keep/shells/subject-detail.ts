import { diffWordsWithSpace } from 'diff';
import { mostDifferingWords } from '@/core/compare/differences';
import { indexPaths, readAddress, type PathIndex } from '@/core/links/package-paths';
import type { Content, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef, Sha256 } from '@/core/refs/refs';
import { scanHtml } from '@/core/text/scan-html';
import { loadBareShell, textOf } from '@/store/state/keep-shell';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from './current-shell';
import { sightOf } from './sight';

/** What a person needs to see of one item to judge it. */
export interface ItemDetail {
  readonly ref: string;
  readonly title: string;
  readonly kind: string;
  readonly path: readonly string[];
  readonly students: string;
  readonly changed: string | null;
  readonly studentWork: number | null;
  readonly points: number | null;
  readonly opens: string | null;
  readonly closes: string | null;
  readonly due: string | null;
  /** Where its links and pictures lead: paths in the package, or addresses outside. */
  readonly links: readonly string[];
  readonly batch: string | null;
  readonly target: string | null;
  /** The text, cut where it is very long; null where the item has none. */
  readonly text: string | null;
}
export interface DiffPart {
  readonly text: string;
  readonly side: 'both' | 'first' | 'second';
}

let last: { hash: string; shell: Shell } | null = null;
/** The shell of a version without the texts of its bodies; the last one asked for is kept at hand. */
export function bareShellOf(folder: OpenFolder, { version }: Pick<CurrentShell, 'version'>): Shell {
  const hash = version.stateBlob as Sha256;
  if (last?.hash !== hash) last = { hash, shell: loadBareShell(folder.blobs, hash) };
  return last.shell;
}

/** So many characters of a text are shown. */
const longest = 6000;
/** So many characters of a body are looked at for it: what is shown of a page of many megabytes is its beginning. */
const looked = 500_000;
const bodyOf = (folder: OpenFolder, hash: string): string => textOf(folder.blobs, hash).slice(0, looked);

export function itemDetail(folder: OpenFolder, current: CurrentShell, ref: string): ItemDetail | null {
  const shell = bareShellOf(folder, current);
  const outline = outlineOf(shell);
  const item = outline.byRef.get(ref as ItemRef);
  if (!item) return null;
  const content = shell.contents.find((c) => c.id === item.content);
  const students = sightOf(outline, item);
  const text = content?.texts.length
    ? content.texts
        .map((hash) => scanHtml(bodyOf(folder, hash)).text.trim())
        .filter((t) => t)
        .join('\n')
        .replace(/[ \t\u00a0]+/g, ' ')
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '')
        .join('\n')
    : null;
  return {
    ref,
    title: item.title,
    kind: item.kind,
    path: item.placed ? outline.path(item) : ['Outside the outline'],
    students,
    changed: item.modified ?? item.created,
    studentWork: item.studentWork,
    points: item.points ?? content?.points ?? null,
    opens: item.opens,
    closes: item.closes,
    due: item.due,
    links: content ? linksOf(folder, shell, content) : [],
    batch: item.batch,
    target: content?.target ?? null,
    text: text !== null && text.length > longest ? `${text.slice(0, longest)} …` : text,
  };
}

const pathIndexes = new WeakMap<Shell, PathIndex>();
export function pathsOf(shell: Shell): PathIndex {
  const known = pathIndexes.get(shell);
  if (known) return known;
  const paths = [
    ...shell.entries.map((e) => e.path),
    ...shell.files.map((f) => f.path),
    ...shell.contents.flatMap((c) => c.files),
  ];
  const index = indexPaths(paths);
  pathIndexes.set(shell, index);
  return index;
}

/** What a content's addresses mean: the file in the package, or the address as it is written. */
function linksOf(folder: OpenFolder, shell: Shell, content: Content): string[] {
  const at = content.textPath;
  if (at === null) return [];
  return content.texts.flatMap((hash) => {
    const scan = scanHtml(bodyOf(folder, hash));
    return scan.addresses.flatMap((address) => {
      const meaning = readAddress(address.value, at, scan.base, pathsOf(shell));
      if (meaning.to === 'package') return [`${meaning.found ?? meaning.asked}${meaning.tail}`];
      return meaning.to === 'outside' ? [meaning.url] : [];
    });
  });
}

/** Two texts word by word. */
export function compareTexts(first: string, second: string): DiffPart[] {
  const parts = diffWordsWithSpace(first, second, { maxEditLength: mostDifferingWords });
  if (!parts)
    return [
      { text: first, side: 'first' },
      { text: second, side: 'second' },
    ];
  return parts.map((part) => ({ text: part.value, side: sideOf(part) }));
}

export interface EventDetail {
  readonly ref: string;
  readonly title: string;
  readonly start: string;
  readonly end: string;
  readonly allDay: boolean;
  readonly location: string;
  readonly links: readonly string[];
  readonly created: string | null;
  readonly occurrences: number;
}

export function eventDetails(
  folder: OpenFolder,
  current: CurrentShell,
  refs: readonly string[],
): EventDetail[] {
  const wanted = new Set(refs);
  return bareShellOf(folder, current)
    .events.filter((e) => wanted.has(e.ref))
    .map((e) => ({
      ref: e.ref,
      title: e.title,
      start: e.start,
      end: e.end,
      allDay: e.allDay,
      location: e.location,
      links: e.links,
      created: e.created ?? e.stamped,
      occurrences: e.occurrences.length,
    }));
}

function sideOf(part: { readonly added?: boolean; readonly removed?: boolean }): DiffPart['side'] {
  if (part.added) return 'second';
  return part.removed ? 'first' : 'both';
}

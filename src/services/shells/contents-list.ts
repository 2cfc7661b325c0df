import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { itemKinds, type ItemKind } from '@/core/shell/model';
import type { Sha256 } from '@/core/shell/refs';
import { spellBytes } from '@/core/text/spell-bytes';
import { loadBareShell } from '@/store/state/keep-shell';
import type { Context } from '../context';
import type { CurrentShell } from './current-shell';

export interface ContentsLine {
  readonly ref: string;
  readonly title: string;
  readonly kind: string;
  readonly path: readonly string[];
  readonly note: string;
}
export interface ContentsView {
  readonly heading: string;
  readonly lines: readonly ContentsLine[];
}

/** The things behind one of the inventory's numbers. */
export function contentsOf(
  context: Context,
  current: CurrentShell,
  kind: string,
  batch: string | null,
  hiddenOnly = false,
): ContentsView {
  const shell = loadBareShell(context.blobs, current.version.stateBlob as Sha256);
  if (batch !== null)
    return { heading: `Came with “${batch}”`, lines: items(shell, (i) => i.batch === batch) };
  const known = itemKinds.find((k) => k === kind);
  if (known)
    return {
      heading: `${kindHeading(known)}${hiddenOnly ? ', hidden by their own switch' : ''}`,
      lines: items(shell, (i) => i.kind === known && (!hiddenOnly || i.shown === false)),
    };
  switch (kind) {
    case 'files':
      return {
        heading: 'Files',
        lines: shell.files.map((f) => ({
          ref: f.path,
          title: f.path,
          kind: f.mediaType,
          path: [],
          note: spellBytes(f.bytes),
        })),
      };
    case 'events':
      return {
        heading: 'Events',
        lines: shell.events.map((e) => ({
          ref: e.ref,
          title: e.title,
          kind: 'event',
          path: [],
          note: e.start.replace('T', ' ').slice(0, 16),
        })),
      };
    case 'hidden':
      return { heading: 'Hidden by their own switch', lines: items(shell, (i) => i.shown === false) };
    case 'outside':
      return { heading: 'Outside the outline', lines: items(shell, (i) => !i.placed) };
    case 'setup':
      return {
        heading: 'Grade setup, banks and home pages',
        lines: [
          ...shell.gradeCategories.map((c) => ({
            ref: c.ref,
            title: c.title,
            kind: 'grade category',
            path: [],
            note: '',
          })),
          ...shell.gradeColumns.map((c) => ({
            ref: c.ref,
            title: c.title,
            kind: 'grade column',
            path: [],
            note: '',
          })),
          ...shell.banks.map((b) => ({
            ref: b.ref,
            title: b.title,
            kind: 'question bank',
            path: [],
            note: '',
          })),
          ...shell.homePages.map((h) => ({
            ref: h.ref,
            title: h.title,
            kind: 'home page',
            path: [],
            note: h.inUse === false ? 'not in use' : '',
          })),
        ],
      };
    default:
      return { heading: 'Items', lines: items(shell, (i) => i.kind !== 'home-page') };
  }
}

const kindHeading = (kind: ItemKind): string => `Items of the kind “${kind.replace('-', ' ')}”`;

function items(shell: Shell, wanted: (item: Item) => boolean): ContentsLine[] {
  const outline = outlineOf(shell);
  return shell.items.filter(wanted).map((i) => ({
    ref: i.ref,
    title: i.title,
    kind: i.kind,
    path: i.placed ? outline.path(i) : ['Outside the outline'],
    note: [i.shown === false ? 'hidden' : '', i.due ? `due ${i.due.slice(0, 10)}` : '', i.batch ?? '']
      .filter((t) => t)
      .join(', '),
  }));
}

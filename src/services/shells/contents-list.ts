import { itemKinds, type Item, type Shell } from '@/core/shell/model';
import { momentKinds, momentsOf, type MomentKind } from '@/core/shell/months';
import { outlineOf } from '@/core/shell/outline';
import { spellBytes } from '@/core/text/spell-bytes';
import { parseLocalDate, spellDate } from '@/core/time/local-date';
import type { Context } from '../context';
import type { CurrentShell } from './current-shell';
import { bareShellOf } from './subject-detail';

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

/** Which of the inventory's numbers the list stands behind; nonsense asks for all items. */
export interface ContentsQuery {
  /** A kind of item, or `items`, `files`, `events`, `hidden`, `outside`, `setup`. */
  readonly kind: string | null;
  readonly hiddenOnly: boolean;
  readonly batch: string | null;
  /** A month `2027-03` or a year `2027`, and what happened to things in it. */
  readonly span: string | null;
  readonly moment: string | null;
}

/** The things behind one of the inventory's numbers. */
export function contentsOf(context: Context, current: CurrentShell, query: ContentsQuery): ContentsView {
  const shell = bareShellOf(context, current);
  const { kind, hiddenOnly, batch, span, moment } = query;
  if (batch !== null)
    return { heading: `Came with “${batch}”`, lines: itemLines(shell, (item) => item.batch === batch) };
  const momentKind = momentKinds.find((known) => known === moment);
  if (span !== null && momentKind) return whatHappenedIn(shell, span, momentKind);
  const itemKind = itemKinds.find((known) => known === kind);
  if (itemKind) {
    const words = itemKind.replace('-', ' ');
    return {
      heading: `Items of the kind “${words}”${hiddenOnly ? ', hidden by their own switch' : ''}`,
      lines: itemLines(shell, (item) => item.kind === itemKind && (!hiddenOnly || item.shown === false)),
    };
  }
  switch (kind ?? 'items') {
    case 'files':
      return { heading: 'Files', lines: fileLines(shell) };
    case 'events':
      return { heading: 'Events', lines: eventLines(shell) };
    case 'hidden':
      return {
        heading: 'Hidden by their own switch',
        lines: itemLines(shell, (item) => item.shown === false),
      };
    case 'outside':
      return { heading: 'Outside the outline', lines: itemLines(shell, (item) => !item.placed) };
    case 'setup':
      return { heading: 'Grade setup, banks and home pages', lines: setupLines(shell) };
    default:
      return { heading: 'Items', lines: itemLines(shell, (item) => item.kind !== 'home-page') };
  }
}

const momentWords: Readonly<Record<MomentKind, string>> = {
  made: 'Made in',
  changed: 'Last changed in',
  due: 'Due in',
};

/** What was made, changed or is due in a month or a year. */
function whatHappenedIn(shell: Shell, span: string, kind: MomentKind): ContentsView {
  const here = new Set(
    momentsOf(shell)
      .filter((moment) => moment.kind === kind && moment.at.startsWith(span))
      .map((moment) => `${moment.type} ${moment.ref}`),
  );
  return {
    heading: `${momentWords[kind]} ${spellSpan(span)}`,
    lines: [
      ...itemLines(shell, (item) => here.has(`item ${item.ref}`)),
      ...fileLines(shell).filter((line) => here.has(`file ${line.ref}`)),
      ...eventLines(shell).filter((line) => here.has(`event ${line.ref}`)),
    ],
  };
}

/** `2027-03` as “March 2027”; a year stays as it is. */
function spellSpan(span: string): string {
  const first = parseLocalDate(`${span}-01`);
  return first ? spellDate(first).replace(/^\d+ /, '') : span;
}

function itemLines(shell: Shell, isWanted: (item: Item) => boolean): ContentsLine[] {
  const outline = outlineOf(shell);
  return shell.items.filter(isWanted).map((item) => ({
    ref: item.ref,
    title: item.title,
    kind: item.kind,
    path: item.placed ? outline.path(item) : ['Outside the outline'],
    note: [
      item.shown === false ? 'hidden' : '',
      item.due ? `due ${item.due.slice(0, 10)}` : '',
      item.batch ?? '',
    ]
      .filter((part) => part !== '')
      .join(', '),
  }));
}

const fileLines = (shell: Shell): ContentsLine[] =>
  shell.files.map((file) => ({
    ref: file.path,
    title: file.path,
    kind: file.mediaType,
    path: [],
    note: spellBytes(file.bytes),
  }));

const eventLines = (shell: Shell): ContentsLine[] =>
  shell.events.map((event) => ({
    ref: event.ref,
    title: event.title,
    kind: 'event',
    path: [],
    note: event.start.replace('T', ' ').slice(0, 16),
  }));

function setupLines(shell: Shell): ContentsLine[] {
  const line = (kind: string, { ref, title }: { ref: string; title: string }, note = '') => ({
    ref,
    title,
    kind,
    path: [],
    note,
  });
  return [
    ...shell.gradeCategories.map((category) => line('grade category', category)),
    ...shell.gradeColumns.map((column) => line('grade column', column)),
    ...shell.banks.map((bank) => line('question bank', bank)),
    ...shell.homePages.map((page) => line('home page', page, page.inUse === false ? 'not in use' : '')),
  ];
}

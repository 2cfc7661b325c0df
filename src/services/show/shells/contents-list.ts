import { actionOf, type AnyTarget } from '@/core/plan/step';
import { itemKinds, type Item, type Shell } from '@/core/shell/model';
import { momentKinds, momentsOf, type MomentKind } from '@/core/inventory/months';
import { outlineOf } from '@/core/shell/outline';
import { unusedItems } from '@/core/shell/unused-items';
import type { SubjectType } from '@/core/refs/refs';
import { spellBytes } from '@/core/text/spell-bytes';
import { parseLocalDate, spellDate } from '@/core/dates/local-date';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { planOf } from '@/services/keep/plan/plan';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { sightOf } from '@/services/keep/shells/sight';
import { bareShellOf } from '@/services/keep/shells/subject-detail';

export interface ContentsLine {
  readonly type: Exclude<SubjectType, 'shell'>;
  readonly ref: string;
  readonly title: string;
  readonly kind: string;
  readonly path: readonly string[];
  /** What students get of it; empty where that is not asked of such a thing. */
  readonly students: string;
  /** The day that counts: due, or the start of an event; empty where there is none. */
  readonly day: string;
  /** Size of a file in bytes; null for everything else. */
  readonly bytes: number | null;
  readonly note: string;
  /** Whether an item stands in the outline; false for everything else. */
  readonly isPlaced: boolean;
  /** What the plan does with it: “hide”, “delete”; empty where it does nothing. */
  readonly planned: string;
}
export interface ContentsView {
  readonly heading: string;
  readonly lines: readonly ContentsLine[];
  /** Where items can be moved to: the end of the outline, then every module by its place. */
  readonly modules: readonly ModuleChoice[];
}
/** A module to move into; null for the top level of the outline. */
export interface ModuleChoice {
  readonly ref: string | null;
  /** Its own title. */
  readonly name: string;
  /** Its title with where it stands. */
  readonly title: string;
}
type Line = Omit<ContentsLine, 'planned'>;
interface Found {
  readonly heading: string;
  readonly lines: readonly Line[];
}

/** Which of the inventory's numbers the list stands behind; nonsense asks for all items. */
export interface ContentsQuery {
  /** A kind of item, or `items`, `files`, `events`, `hidden`, `outside`, `unused`, `setup`. */
  readonly kind: string | null;
  readonly hiddenOnly: boolean;
  readonly batch: string | null;
  /** A month `2027-03` or a year `2027`, and what happened to things in it. */
  readonly span: string | null;
  readonly moment: string | null;
}

/** What the query of an address asks for. */
export const contentsQuery = (query: URLSearchParams): ContentsQuery => ({
  kind: query.get('kind'),
  hiddenOnly: query.get('hidden') === '1',
  batch: query.get('batch'),
  span: query.get('span'),
  moment: query.get('moment'),
});

/** The things behind one of the inventory's numbers, each with what the plan does with it. */
export function contentsOf(folder: OpenFolder, current: CurrentShell, query: ContentsQuery): ContentsView {
  const shell = bareShellOf(folder, current);
  const { heading, lines } = foundBy(shell, query);
  const planned = new Map<string, Set<string>>();
  for (const { step } of planOf(folder.db, current.row.id))
    for (const { ref } of step.targets as readonly AnyTarget[]) {
      const words = planned.get(ref) ?? new Set();
      planned.set(ref, words.add(actionOf(step.action).label.toLowerCase()));
    }
  return {
    heading,
    lines: lines.map((line) => ({ ...line, planned: [...(planned.get(line.ref) ?? [])].join(', ') })),
    modules: lines.some((line) => line.type === 'item' || line.type === 'file') ? moduleChoices(shell) : [],
  };
}

function moduleChoices(shell: Shell): ModuleChoice[] {
  const outline = outlineOf(shell);
  const modules = shell.items.filter((item) => item.kind === 'module' && item.placed);
  return [
    { ref: null, name: '', title: 'The end of the outline' },
    ...modules.map((item) => ({
      ref: item.ref,
      name: item.title,
      title: [...outline.path(item), item.title].join(' › '),
    })),
  ];
}

function foundBy(shell: Shell, query: ContentsQuery): Found {
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
    case 'unused': {
      const unused = new Set(unusedItems(shell));
      return {
        heading: 'Seen by students, and not used for this term',
        lines: itemLines(shell, (item) => unused.has(item)),
      };
    }
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
function whatHappenedIn(shell: Shell, span: string, kind: MomentKind): Found {
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

function itemLines(shell: Shell, isWanted: (item: Item) => boolean): Line[] {
  const outline = outlineOf(shell);
  return shell.items.filter(isWanted).map((item) => ({
    ...blankLine,
    type: 'item',
    ref: item.ref,
    title: item.title,
    kind: item.kind.replace('-', ' '),
    path: item.placed ? outline.path(item) : ['Outside the outline'],
    isPlaced: item.placed,
    students: sightOf(outline, item),
    day: item.due === null ? '' : `due ${item.due.slice(0, 10)}`,
    note: item.batch ?? '',
  }));
}

const blankLine = { path: [], students: '', day: '', bytes: null, note: '', isPlaced: false } as const;

const fileLines = (shell: Shell): Line[] =>
  shell.files.map((file) => ({
    ...blankLine,
    type: 'file',
    ref: file.path,
    title: file.path,
    kind: file.mediaType,
    students: file.readableBy === 'staff' ? 'Staff only' : '',
    bytes: file.bytes,
    note: spellBytes(file.bytes),
  }));

const eventLines = (shell: Shell): Line[] =>
  shell.events.map((event) => ({
    ...blankLine,
    type: 'event',
    ref: event.ref,
    title: event.title,
    kind: 'event',
    day: event.start.replace('T', ' ').slice(0, 16),
    note: event.recurrence === null ? '' : `${event.occurrences.length} dates`,
  }));

function setupLines(shell: Shell): Line[] {
  const line = (
    type: Line['type'],
    kind: string,
    { ref, title }: { ref: string; title: string },
    note = '',
  ): Line => ({ ...blankLine, type, ref, title, kind, note });
  return [
    ...shell.gradeCategories.map((category) => line('gradeCategory', 'grade category', category)),
    ...shell.gradeColumns.map((column) => line('gradeColumn', 'grade column', column)),
    ...shell.banks.map((bank) => line('bank', 'question bank', bank)),
    ...shell.homePages.map((page) =>
      line('homePage', 'home page', page, page.inUse === false ? 'not in use' : ''),
    ),
  ];
}

/** How many items students see that nobody used for this term. */
export const countUnused = (folder: OpenFolder, current: CurrentShell): number =>
  unusedItems(bareShellOf(folder, current)).length;

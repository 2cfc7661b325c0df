import { readAs, sayMisfit } from '@/core/schema/read-as';
import { mostThings } from '@/core/shell/soundness';
import { entryOf, putEntry } from '@/core/entries';
import { contentOfShell } from '@/core/shell/find-things';
import type { Item, ItemKind, Shell, ShellFile } from '@/core/shell/model';
import { groupRef, isOutsideRef, itemRef, writtenRef, type ItemRef } from '@/core/refs/refs';
import { bad, type Result } from '@/core/shell/result';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { stateSchema, type ShellState } from './state-schema';

type ItemState = ShellState['items'][string];
const known = <T>(value: T | null | undefined): T | undefined => value ?? undefined;
const some = <T>(list: readonly T[]): T[] | undefined => (list.length ? [...list] : undefined);

/** What an item goes by in the state file: as the manifest spells it, and outside the outline by its resource. */
const keyOf = (item: Item): string => (item.placed ? writtenRef(item.ref) : item.ref.replace(/~/g, '_'));

/** The title of what stands outside the outline; a bare file’s name and the title in its own file need not be said. */
function outsideTitle(shell: Shell, item: Item): string | undefined {
  const content = contentOfShell(shell, item.content);
  const name = (content?.href ?? content?.textPath ?? '').split('/').at(-1);
  return item.title === (content?.title || name) ? undefined : item.title;
}

/** The state file of a shell: equal shells give equal bytes, since no time of writing and no id of a run is in it. */
export function writeState(shell: Shell): string {
  const items: Record<string, ItemState> = {};
  for (const item of shell.items) {
    const state: ItemState = {
      // Only what the package leaves open: a bare title's kind, an announcement, a home page.
      kind:
        item.content === null || item.kind === 'announcement' || item.kind === 'home-page'
          ? item.kind
          : undefined,
      shown: known(item.shown),
      opens: known(item.opens),
      closes: known(item.closes),
      due: known(item.due),
      requires: some(item.requires),
      points: known(item.points),
      gradeCategory: known(item.gradeCategory),
      gradeColumn: known(item.gradeColumn),
      created: known(item.created),
      modified: known(item.modified),
      batch: known(item.batch),
      studentWork: known(item.studentWork),
      groups: some(item.groups),
      ref: item.placed && writtenRef(item.ref) !== item.ref && isOutsideRef(item.ref) ? item.ref : undefined,
      title: item.placed ? undefined : outsideTitle(shell, item),
    };
    if (Object.values(state).some((v) => v !== undefined)) putEntry(items, keyOf(item), state);
  }
  const files: ShellState['files'] = {};
  for (const file of shell.files) {
    const state = {
      readableBy: known(file.readableBy),
      created: known(file.created),
      modified: known(file.modified),
      batch: known(file.batch),
    };
    if (Object.values(state).some((v) => v !== undefined)) putEntry(files, file.path, state);
  }
  const state: ShellState = {
    schema: 'currycomb.shell-state/1',
    code: shell.code,
    title: shell.title,
    timeZone: shell.timeZone,
    term: shell.term,
    previousTerm: shell.previousTerm,
    schoolYear: shell.schoolYear,
    noClassDays: [...shell.noClassDays],
    items,
    files,
    homePages: shell.homePages.map((h) => ({ ...h })),
    banks: shell.banks.filter((b) => b.content === null).map(({ ref, title }) => ({ ref, title })),
    groups: shell.groups.map((g) => ({ ...g })),
    enrolments: { ...shell.enrolments },
    results: Object.fromEntries(
      shell.gradeColumns.flatMap((c) => (c.results === null ? [] : [[c.ref, c.results]])),
    ),
  };
  return `${JSON.stringify(state, null, 1)}\n`;
}

/** Does a part of it hold more than a shell may? Asked before its schema, which would take minutes for millions. */
const hasTooMany = (state: unknown): boolean =>
  typeof state === 'object' &&
  state !== null &&
  Object.values(state).some(
    (part: unknown) => typeof part === 'object' && part !== null && Object.keys(part).length > mostThings,
  );

export function readState(bytes: Uint8Array): Result<ShellState> {
  try {
    const value: unknown = JSON.parse(new TextDecoder().decode(bytes));
    if (hasTooMany(value)) return bad('state-unreadable', 'tells of more things than any shell has');
    const read = readAs(stateSchema, value);
    return read.ok ? read : bad('state-unreadable', `does not fit its schema (${sayMisfit(read.misfit)})`);
  } catch {
    return bad('state-unreadable', 'is not readable as JSON');
  }
}

/** The refs of outline items that the package spells otherwise, by how it spells them. */
const aliasesIn = (state: ShellState): ReadonlyMap<string, string> =>
  new Map(Object.entries(state.items).flatMap(([written, item]) => (item.ref ? [[written, item.ref]] : [])));

/** Brings a state file's knowledge into the shell that was read from the same package. */
export function applyState(shell: Shell, state: ShellState): Shell {
  const aliases = aliasesIn(state);
  const named = (ref: ItemRef): ItemRef => itemRef(aliases.get(ref) ?? ref);
  const items = shell.items.map((item): Item => {
    const parent = item.parent === null ? null : named(item.parent);
    const kept = entryOf(state.items, item.ref);
    if (!kept) return parent === item.parent ? item : { ...item, parent };
    const moment = (value: string | undefined, other: LocalDateTime | null) =>
      (value ?? other) as LocalDateTime | null;
    return {
      ...item,
      ref: named(item.ref),
      title: kept.title ?? item.title,
      parent,
      kind: kept.kind !== undefined && fits(item, kept.kind) ? kept.kind : item.kind,
      shown: kept.shown ?? item.shown,
      opens: moment(kept.opens, item.opens),
      closes: moment(kept.closes, item.closes),
      due: moment(kept.due, item.due),
      requires: kept.requires?.map(itemRef) ?? item.requires,
      points: kept.points ?? item.points,
      gradeCategory: kept.gradeCategory ?? item.gradeCategory,
      gradeColumn: kept.gradeColumn ?? item.gradeColumn,
      created: moment(kept.created, item.created),
      modified: moment(kept.modified, item.modified),
      batch: kept.batch ?? item.batch,
      studentWork: kept.studentWork ?? item.studentWork,
      groups: kept.groups?.map(groupRef) ?? item.groups,
    };
  });
  const files = shell.files.map((file): ShellFile => {
    const kept = entryOf(state.files, file.path);
    if (!kept) return file;
    return {
      ...file,
      readableBy: kept.readableBy ?? file.readableBy,
      created: (kept.created ?? file.created) as LocalDateTime | null,
      modified: (kept.modified ?? file.modified) as LocalDateTime | null,
      batch: kept.batch ?? file.batch,
    };
  });
  const refs = new Set<string>(items.map((i) => i.ref));
  return {
    ...shell,
    code: state.code,
    title: state.title || shell.title,
    timeZone: state.timeZone,
    term: state.term as Shell['term'],
    previousTerm: state.previousTerm as Shell['previousTerm'],
    schoolYear: state.schoolYear as Shell['schoolYear'],
    noClassDays: state.noClassDays as LocalDate[],
    items,
    files,
    homePages: state.homePages.filter((h) => refs.has(h.ref)).map((h) => ({ ...h, ref: itemRef(h.ref) })),
    banks: [
      ...shell.banks,
      ...state.banks.map((b) => ({ ref: itemRef(b.ref), title: b.title, content: null })),
    ],
    groups: state.groups.map((g) => ({ ref: groupRef(g.ref), title: g.title })),
    enrolments: state.enrolments,
  };
}

const fits = (item: Item, kind: ItemKind): boolean =>
  item.content === null
    ? kind === 'module' || kind === 'heading'
    : kind === 'announcement' || kind === 'home-page' || kind === 'module';

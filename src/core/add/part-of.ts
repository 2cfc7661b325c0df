import { emptyShell } from '@/core/shell/empty-shell';
import type { Content, Item, PackageEntry, Shell } from '@/core/shell/model';
import { joinedCalendar } from './add-things';
import { choosePart } from './choose';
import {
  incomingKey,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type IncomingType,
} from './incoming';
import { needsOf } from './needs';
import { TakenThings } from './taken-things';

/** Every thing of a shell as a list to choose from, in its own order; nothing is held against anything. */
export function thingsOf(shell: Shell): IncomingThing[] {
  const thing = (
    type: IncomingType,
    ref: string,
    kind: string,
    title: string,
    parent: IncomingKey | null = null,
  ): IncomingThing => ({
    key: incomingKey(type, ref),
    type,
    ref,
    kind,
    title,
    parent,
    standing: 'new',
    counterpart: null,
    differences: [],
    proposed: false,
    leftOut: null,
  });
  return [
    ...shell.items.map((i) =>
      thing('item', i.ref, i.kind, i.title, i.parent === null ? null : incomingKey('item', i.parent)),
    ),
    ...shell.files.map((f) => thing('file', f.path, f.mediaType, f.path)),
    ...shell.events.map((e) => thing('event', e.ref, 'event', e.title)),
    ...shell.gradeCategories.map((c) => thing('gradeCategory', c.ref, 'gradeCategory', c.title)),
    ...shell.gradeColumns.map((c) => thing('gradeColumn', c.ref, 'gradeColumn', c.title)),
    ...shell.banks.map((b) => thing('bank', b.ref, 'bank', b.title)),
  ];
}

/** A shell of the chosen things and what they need, each under its own identity: what a package of a part is written from. */
export function partOf(shell: Shell, chosen: readonly string[]): Shell {
  const preview: AddPreview = {
    things: thingsOf(shell),
    counts: { new: 0, there: 0, differs: 0, doubled: 0 },
    needs: needsOf(shell),
  };
  const taken = new TakenThings(shell, preview, choosePart(preview, chosen as readonly IncomingKey[]));
  const items = taken.items.map((item) => itemOfPart(item, taken));
  const events = shell.events.filter(({ ref }) => taken.has('event', ref));
  const kept = new Set<string>(items.map(({ ref }) => ref));
  const { code, title, term, previousTerm, asOf, timeZone, noClassDays, frame, groups } = shell;
  return {
    ...emptyShell,
    ref: shell.ref,
    code,
    title,
    term,
    previousTerm,
    asOf,
    timeZone,
    noClassDays,
    frame,
    groups,
    items,
    contents: taken.contents.map((content) => contentOfPart(content, taken)),
    files: taken.files,
    entries: entriesOfPart(taken),
    events,
    gradeCategories: shell.gradeCategories.filter(({ ref }) => taken.has('gradeCategory', ref)),
    gradeColumns: shell.gradeColumns.filter(({ ref }) => taken.has('gradeColumn', ref)),
    banks: taken.banks,
    homePages: shell.homePages.filter(({ ref }) => kept.has(ref)),
    calendar: events.length > 0 ? joinedCalendar(emptyShell, shell) : null,
  };
}

/** Without what it leads to and does not come along. */
const itemOfPart = (item: Item, taken: TakenThings): Item => ({
  ...item,
  parent: item.parent !== null && taken.has('item', item.parent) ? item.parent : null,
  requires: item.requires.filter((ref) => taken.has('item', ref)),
  gradeColumn:
    item.gradeColumn !== null && taken.has('gradeColumn', item.gradeColumn) ? item.gradeColumn : null,
});

function contentOfPart(content: Content, taken: TakenThings): Content {
  const ids = new Set(taken.contents.map(({ id }) => id));
  return {
    ...content,
    files: content.files.filter((path) => taken.comesAlong(path)),
    dependencies: content.dependencies.filter((id) => ids.has(id)),
  };
}

function entriesOfPart(taken: TakenThings): PackageEntry[] {
  const wanted = new Set(taken.contents.flatMap(({ files }) => files));
  return taken.incoming.entries.filter(({ path }) => wanted.has(path) && !taken.isFile(path));
}

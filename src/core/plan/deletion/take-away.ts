import { collect } from '@/core/collect';
import { activitiesByColumn } from '@/core/shell/grade-links';
import type { Content, Item, Shell, ShellFile } from '@/core/shell/model';
import { outsideRef, type ContentId, type GradeColumnRef, type ItemRef } from '@/core/refs/refs';
import { deleteEvents } from '@/core/time/change-events';
import { mapped } from '@/core/plan/action/action';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import type { Going } from './going';

/**
 * The shell without what goes. Pages and activities that others still link to stand outside the outline from now on; a
 * grade column without results goes with its last activity, where columns are taken along.
 */
export function takeAway(shell: Shell, going: Going, takesColumns = true): Shell {
  const refs = refsOf(shell);
  const stays = (thing: { readonly ref: string }) => !going.targets.has(thing.ref);
  const columns = shell.gradeColumns.filter(
    (c) => stays(c) && !(takesColumns && losesItsActivities(shell, c, going)),
  );
  const goneColumns = new Set<string>(
    shell.gradeColumns.filter((c) => !columns.includes(c)).map((c) => c.ref),
  );
  const events = new Set(
    shell.events.filter((e) => going.targets.has(e.ref) && refs.typeOf(e.ref) === 'event').map((e) => e.ref),
  );
  const items = [...shell.items.filter((i) => !going.items.has(i.ref)), ...leftOutside(shell, going)];
  const next: Shell = {
    ...shell,
    items: sameList(
      shell.items,
      mapped(items, (item) => withoutColumn(item, goneColumns)),
    ),
    homePages: sameList(shell.homePages, shell.homePages.filter(stays)),
    banks: sameList(shell.banks, shell.banks.filter(stays)),
    groups: sameList(shell.groups, shell.groups.filter(stays)),
    gradeCategories: sameList(shell.gradeCategories, shell.gradeCategories.filter(stays)),
    gradeColumns: sameList(shell.gradeColumns, columns),
    files: sameList(
      shell.files,
      shell.files.filter((f) => !going.files.has(f.path)),
    ),
  };
  const withoutEvents = events.size ? deleteEvents(next, events) : next;
  return withoutBodies(shell, withoutEvents, going);
}

/** A list that lost nothing is the same list. */
const sameList = <T>(before: readonly T[], after: readonly T[]): readonly T[] =>
  before.length === after.length && before.every((thing, at) => thing === after[at]) ? before : after;

const withoutColumn = (item: Item, gone: ReadonlySet<string>): Item =>
  item.gradeColumn !== null && gone.has(item.gradeColumn) ? { ...item, gradeColumn: null } : item;

/** Contents that go, and their entries; one whose files others use lives on as those files. */
function withoutBodies(before: Shell, shell: Shell, going: Going): Shell {
  if (!going.contents.size && !going.files.size) return shell;
  const listedElsewhere = new Set(
    before.contents.filter((c) => !going.contents.has(c.id)).flatMap((c) => c.files),
  );
  const goneEntries = new Set(
    before.contents
      .filter((c) => going.contents.has(c.id))
      .flatMap((c) => c.files)
      .filter((path) => !listedElsewhere.has(path)),
  );
  const survivors = new Map<ContentId, ShellFile[]>();
  for (const file of shell.files)
    if (going.contents.has(file.content)) collect(survivors, file.content, file);
  const staying = shell.contents.filter((c) => !going.contents.has(c.id) || survivors.has(c.id));
  const contents = mapped(staying, (content) => trim(content, going, survivors.get(content.id)));
  const entries = shell.entries.filter((entry) => !goneEntries.has(entry.path));
  return {
    ...shell,
    contents: sameList(shell.contents, contents),
    entries: sameList(shell.entries, entries),
  };
}

/** A content that lost files or dependencies; one that itself went, but owns files that others use, lives on as those files. */
function trim(content: Content, going: Going, survivors: readonly ShellFile[] | undefined): Content {
  if (survivors) return asFiles(content, survivors);
  const files = content.files.filter((path) => !going.files.has(path));
  const dependencies = content.dependencies.filter((id) => !going.contents.has(id));
  if (files.length === content.files.length && dependencies.length === content.dependencies.length)
    return content;
  const lostMain = content.href !== null && going.files.has(content.href);
  return { ...content, files, dependencies, href: lostMain ? (files[0] ?? null) : content.href };
}

function asFiles(content: Content, survivors: readonly ShellFile[]): Content {
  const files = survivors.map((file) => file.path);
  return {
    ...content,
    kind: 'file',
    href: files[0] ?? null,
    files,
    texts: [],
    textPath: null,
    dependencies: [],
    title: '',
  };
}

/** Pages and activities whose place goes while their content stays: they stand outside the outline from now on. */
function leftOutside(shell: Shell, going: Going): Item[] {
  const staying = shell.items.filter((i) => !going.items.has(i.ref));
  const known = new Set<string>(staying.map((i) => i.ref));
  const stillPlaced = new Set(staying.map((i) => i.content));
  const outside = new Map<ItemRef, Item>();
  for (const item of shell.items) {
    if (!going.items.has(item.ref) || !item.content || item.kind === 'file') continue;
    if (going.contents.has(item.content) || stillPlaced.has(item.content)) continue;
    const ref = outsideRef(item.content);
    if (known.has(ref)) continue;
    known.add(ref);
    // It stays as a page, and is no home page any more.
    const kind = item.kind === 'home-page' ? 'page' : item.kind;
    outside.set(item.ref, { ...item, kind, ref, placed: false, parent: null, extraXml: [] });
  }
  // What such a one requires may have gone the same way, or altogether.
  const requiredNow = (ref: ItemRef): ItemRef[] => {
    if (!going.items.has(ref)) return [ref];
    const moved = outside.get(ref);
    return moved ? [moved.ref] : [];
  };
  return [...outside.values()].map((item) => ({ ...item, requires: item.requires.flatMap(requiredNow) }));
}

/** A grade column goes with its activities only when it is known to have no results. */
function losesItsActivities(
  shell: Shell,
  column: { readonly ref: GradeColumnRef; readonly results: number | null },
  going: Going,
): boolean {
  if (column.results !== 0) return false;
  const activities = activitiesByColumn(shell).get(column.ref) ?? [];
  return activities.length > 0 && activities.every((item) => going.items.has(item.ref));
}

import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { contentOfShell } from '@/core/shell/find-things';
import type { Content, Item, PackageEntry, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { contentId, filePath, itemRef, type FilePath, type ItemRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import { FreshNames, freshPaths } from '@/core/shell/fresh-names';
import { putItem, whyNotThere } from '@/core/plan/action/outline-changes';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { defineAction, recordOf } from '@/core/plan/action/action';
import { writtenRefSchema } from './new-ref';
import { placeSets, sayPlace } from './place-params';

const moment = z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}$/);
const title = z.string().trim().min(1).max(1000);
const dates = z.strictObject({
  opens: moment.nullable().optional(),
  closes: moment.nullable().optional(),
  due: moment.nullable().optional(),
});
const sets = placeSets.extend({ item: z.string(), title, dates });
type Copy = z.output<typeof sets>;

/** Repeats one item through the term: each copy has a ref, a title, a place and dates of its own, and its own text. */
export const repeat = defineAction({
  name: 'repeat',
  label: 'Repeat',
  title: 'Repeat',
  toDo: ({ sets, titleOf }) => ({
    what: `Make a copy of “${titleOf(sets.item)}” called “${sets.title}” in ${sayPlace(sets.into, titleOf)}.`,
    lookFor: `“${sets.title}” is listed there.`,
  }),
  nothing: 'it is there already',
  phase: 'add',
  on: [],
  only: 'there is something of that ref already; choose another',
  creates: true,
  mayShow: true,
  params: z.strictObject({
    item: z.string(),
    titles: z.record(writtenRefSchema, title),
    places: z.record(writtenRefSchema, z.string().nullable()).optional(),
    dates: z.record(writtenRefSchema, dates).optional(),
  }),
  perTarget: ['titles', 'places', 'dates'],
  expects: z.strictObject({ absent: z.literal(true) }),
  sets,
  setsOf: (params, ref) => {
    const name = entryOf(params.titles, ref);
    if (name === undefined) return null;
    const into = entryOf(params.places, ref) ?? null;
    return { item: params.item, title: name, into, before: null, dates: entryOf(params.dates, ref) ?? {} };
  },
  paramsOf: (targets) => ({
    item: targets[0]?.sets.item ?? '',
    titles: recordOf(targets, (copy) => copy.title),
    places: recordOf(targets, (copy) => copy.into),
    dates: recordOf(targets, (copy) => copy.dates),
  }),
  now: (shell, ref) => (refsOf(shell).typeOf(ref) === null ? { absent: true as const } : null),
  isSet: () => false,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    let now = shell;
    for (const { ref, sets: copy } of targets) {
      const item = outlineOf(now).byRef.get(copy.item as ItemRef);
      const reason = item
        ? (whyNotRepeated(now, item) ?? whyNotThere(now, copy, new Set([ref])))
        : 'the item to repeat is not in this shell';
      if (item && reason === null) now = withCopy(now, item, ref, copy);
      else blocked.set(ref, reason ?? 'the item to repeat is not in this shell');
    }
    return { shell: now, blocked };
  },
});

const whyNotRepeated = (shell: Shell, item: Item): string | null =>
  outlineOf(shell).children(item.ref).length > 0
    ? `“${item.title}” holds other items; repeat those one by one`
    : null;

function withCopy(shell: Shell, item: Item, ref: string, copy: Copy): Shell {
  const content = contentOfShell(shell, item.content);
  const { opens, closes, due } = copy.dates;
  const pick = (value: string | null | undefined) => (value ?? null) as LocalDateTime | null;
  // What hangs on the first one alone, such as its column, its requirements and the work handed in, stays there.
  const fresh: Item = {
    ...item,
    ref: itemRef(ref),
    // A shell has the home pages that it has; a copy of one is a page.
    kind: item.kind === 'home-page' ? 'page' : item.kind,
    title: copy.title,
    opens: pick(opens),
    closes: pick(closes),
    due: pick(due),
    requires: [],
    gradeColumn: null,
    studentWork: item.studentWork === null ? null : 0,
    extraXml: [],
  };
  if (!content || item.kind === 'file') return putItem(shell, fresh, copy);
  const body = copyBody(shell, content, ref);
  const next: Shell = {
    ...shell,
    contents: [...shell.contents, body.content],
    entries: [...shell.entries, ...body.entries],
  };
  return putItem(next, { ...fresh, content: body.content.id }, copy);
}

/** The content under a new identifier, with copies of the entries that it alone is made of. */
function copyBody(
  shell: Shell,
  content: Content,
  ref: string,
): { readonly content: Content; readonly entries: PackageEntry[] } {
  const names = new FreshNames([...shell.contents.map((c) => c.id), ...shell.items.map((i) => i.ref), ref]);
  const paths = freshPaths([...shell.files.map((f) => f.path), ...shell.entries.map((e) => e.path)]);
  const owned = new Set<string>(content.files);
  const copies = new Map<FilePath, FilePath>();
  const entries = shell.entries
    .filter((entry) => owned.has(entry.path))
    .map((entry) => {
      const path = filePath(paths.take(entry.path));
      copies.set(entry.path, path);
      return { ...entry, path };
    });
  const led = (path: FilePath) => copies.get(path) ?? path;
  return {
    entries,
    content: {
      ...content,
      id: contentId(names.take(`${ref}_content`)),
      href: content.href === null ? null : led(content.href),
      textPath: content.textPath === null ? null : led(content.textPath),
      files: content.files.flatMap((path) => copies.get(path) ?? []),
    },
  };
}

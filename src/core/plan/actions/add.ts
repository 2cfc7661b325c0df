import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { blankItem } from '@/core/shell/blank-item';
import { outlineOf } from '@/core/shell/outline';
import { fileOfShell } from '@/core/shell/find-things';
import type { Shell } from '@/core/shell/model';
import { itemRef, type ContentId, type ItemRef } from '@/core/refs/refs';
import { putItem, whyNotThere } from '@/core/plan/action/outline-changes';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { defineAction, recordOf, type Target } from '@/core/plan/action/action';
import { placeSets, sayPlace } from './place-params';

const kind = z.enum(['module', 'heading', 'file']);
const title = z.string().trim().min(1).max(1000);
const sets = placeSets.extend({
  kind,
  title,
  shown: z.boolean().nullable(),
  /** Path of the file that an item of the kind `file` shows. */
  file: z.string().optional(),
});

/** Adds modules, headings, and items that show a file of the shell; each goes by the ref that the step gives it. */
export const add = defineAction({
  name: 'add',
  label: 'Add',
  title: 'Add',
  toDo: ({ sets, titleOf }) => ({
    what: `Add the ${sets.kind} “${sets.title}” in ${sayPlace(sets.into, titleOf)}.`,
    lookFor: `“${sets.title}” is listed there.`,
  }),
  isOfOutline: true,
  nothing: 'it is there already',
  phase: 'add',
  on: [],
  only: 'there is something of that ref already; choose another',
  creates: true,
  mayShow: true,
  params: z.strictObject({
    kind,
    titles: refRecord(title),
    /** For the kind `file`: the path of the file that each shows. */
    files: refRecord(z.string()).optional(),
    into: z.string().nullable().optional(),
    before: z.string().nullable().optional(),
    shown: z.boolean().nullable().optional(),
  }),
  perTarget: ['titles', 'files'],
  expects: z.strictObject({ absent: z.literal(true) }),
  sets,
  setsOf: (params, ref) => {
    const name = entryOf(params.titles, ref);
    if (name === undefined) return null;
    const { into = null, before = null, shown = null } = params;
    const file = entryOf(params.files, ref);
    return { kind: params.kind, title: name, into, before, shown, ...(file === undefined ? {} : { file }) };
  },
  paramsOf: (targets) => ({
    kind: targets[0]?.sets.kind ?? 'module',
    titles: recordOf(targets, (wanted) => wanted.title),
    ...filesOf(targets),
    into: targets[0]?.sets.into ?? null,
    before: targets[0]?.sets.before ?? null,
    shown: targets[0]?.sets.shown ?? null,
  }),
  now: (shell, ref) => (refsOf(shell).typeOf(ref) === null ? { absent: true as const } : null),
  isSet: () => false,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    let now = shell;
    for (const { ref, sets: wanted } of targets) {
      const content = contentFor(now, wanted);
      const reason = whyNotAdded(ref) ?? content.trouble ?? whyNotThere(now, wanted, new Set([ref]));
      if (reason !== null) blocked.set(ref, reason);
      else if (!outlineOf(now).byRef.has(ref as ItemRef)) {
        const { kind: is, title: name, shown } = wanted;
        const item = { ...blankItem, ref: itemRef(ref), kind: is, title: name, shown, content: content.id };
        now = putItem(now, item, wanted);
      }
    }
    return { shell: now, blocked };
  },
});

type Added = z.output<typeof sets>;

function filesOf(targets: readonly Target<unknown, Added>[]): { files?: Record<string, string> } {
  const files = targets.flatMap(({ ref, sets: { file } }) => (file === undefined ? [] : [[ref, file]]));
  return files.length === 0 ? {} : { files: Object.fromEntries(files) as Record<string, string> };
}

/** What a new item shows: a file’s own resource; nothing for modules and headings. */
function contentFor(
  shell: Shell,
  { kind: is, file }: Added,
): { readonly id: ContentId | null; readonly trouble: string | null } {
  if (is !== 'file') return { id: null, trouble: null };
  if (file === undefined) return { id: null, trouble: 'say which file it shows' };
  const content = shell.contents.find(({ href }) => href === file);
  if (content) return { id: content.id, trouble: null };
  const isThere = fileOfShell(shell, file) !== undefined;
  return {
    id: null,
    trouble: isThere
      ? `“${file}” is a part of something else and can’t stand in the outline by itself`
      : `the file “${file}” is not in this shell; choose another`,
  };
}

const whyNotAdded = (ref: string): string | null =>
  /^[A-Za-z_][A-Za-z0-9_.-]{0,199}$/.test(ref)
    ? null
    : `“${ref}” can’t be the ref of something new: begin with a letter, then letters, digits, “_”, “.” and “-”`;

import { emptyShell } from '@/core/shell/empty-shell';
import type { Shell } from '@/core/shell/model';
import { addThings } from './add-things';
import {
  incomingKey,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type IncomingType,
} from './incoming';
import { needsOf } from './needs';

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
  const { code, title, term, previousTerm, asOf, timeZone, noClassDays, frame } = shell;
  const base: Shell = {
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
  };
  const part = addThings(base, shell, preview, {
    chosen,
    landing: { where: 'end' },
    dating: 'keep',
    batch: null,
  }).after;
  const kept = new Set<string>(part.items.map((i) => i.ref));
  return { ...part, homePages: shell.homePages.filter((h) => kept.has(h.ref)), groups: shell.groups };
}

import { collect } from '@/core/collect';
import { contentNode, linkGraphOf } from '@/core/links/graph';
import { reachableFrom } from '@/core/links/reachability';
import { textOfContent } from '@/core/links/scans';
import type { Content, CourseEvent, Shell } from '@/core/shell/model';
import { spellBytes } from '@/core/text/spell-bytes';
import { titleKey } from '@/core/text/normalise';
import { sideOfTerm } from '@/core/time/term';
import { dateOf } from '@/core/dates/local-date';
import {
  incomingKey,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type Standing,
} from './incoming';
import { eventDifferences } from './differences';
import { ItemHolder } from './held-items';
import { needsOf } from './needs';
import { isNew, type Held, type Verdict } from './verdict';

/**
 * Holds an incoming package against the shell it would come into. What has the same identifier, path or UID is the same
 * thing, equal or different; what only says the same is a double; what has the same title in the same place differs.
 */
export function holdAgainst(shell: Shell, incoming: Shell): AddPreview {
  const things = propose(shell, incoming, [
    ...new ItemHolder(shell, incoming).held(),
    ...heldFiles(shell, incoming),
    ...heldEvents(shell, incoming),
    ...heldSetup(shell, incoming),
  ]);
  const counts: Record<Standing, number> = { new: 0, there: 0, differs: 0, doubled: 0 };
  for (const thing of things) counts[thing.standing] += 1;
  return { things, counts, needs: needsOf(incoming) };
}

const byId = (shell: Shell) => new Map<string, Content>(shell.contents.map((c) => [c.id, c]));

function heldFiles(shell: Shell, incoming: Shell): Held[] {
  const byPath = new Map<string, { sha256: string; bytes: number }>(
    [...shell.files, ...shell.entries].map((f) => [f.path, f]),
  );
  const bySum = new Map<string, string>();
  for (const file of shell.files) if (!bySum.has(file.sha256)) bySum.set(file.sha256, file.path);
  return incoming.files.map((file): Held => {
    const same = byPath.get(file.path);
    const twin = bySum.get(file.sha256);
    const verdict = (): Verdict => {
      const counterpart = { ref: file.path, title: file.path };
      if (same?.sha256 === file.sha256) return { standing: 'there', counterpart, differences: [] };
      if (same) return { standing: 'differs', counterpart, differences: [sizeDifference(same, file)] };
      if (twin === undefined || file.bytes === 0) return isNew;
      return { standing: 'doubled', counterpart: { ref: twin, title: twin }, differences: [] };
    };
    return {
      key: incomingKey('file', file.path),
      type: 'file',
      ref: file.path,
      kind: file.mediaType,
      title: file.path,
      parent: null,
      ...verdict(),
    };
  });
}

const eventName = (e: CourseEvent) => `${titleKey(e.title)} ${e.start}`;

function heldEvents(shell: Shell, incoming: Shell): Held[] {
  const byRef = new Map<string, CourseEvent>(shell.events.map((e) => [e.ref, e]));
  const byName = new Map(shell.events.map((e) => [eventName(e), e]));
  return incoming.events.map((event): Held => {
    const same = byRef.get(event.ref);
    const twin = byName.get(eventName(event));
    const verdict = (): Verdict => {
      if (same) return sameThing(same, eventDifferences(same, event));
      if (!twin) return isNew;
      return { standing: 'doubled', counterpart: { ref: twin.ref, title: twin.title }, differences: [] };
    };
    return {
      key: incomingKey('event', event.ref),
      type: 'event',
      ref: event.ref,
      kind: 'event',
      title: event.title,
      parent: null,
      ...verdict(),
    };
  });
}

/** Things of one kind of setup, here and in what comes in, and how two of them are told apart. */
interface SetupKind<T> {
  readonly type: 'gradeCategory' | 'gradeColumn' | 'bank';
  readonly here: readonly T[];
  readonly incoming: readonly T[];
  /** In what two of one ref differ, beside their titles. */
  readonly differences: (here: T, there: T) => string[];
  /** Equal for two that are the same to whoever looks at them. */
  readonly twinKey: (one: T) => string;
}

function heldOf<T extends { ref: string; title: string }>(kind: SetupKind<T>): Held[] {
  const byRef = new Map(kind.here.map((one) => [one.ref, one]));
  const byKey = new Map(kind.here.map((one) => [kind.twinKey(one), one]));
  const verdictOn = (one: T): Verdict => {
    const same = byRef.get(one.ref);
    if (same) return sameThing(same, [...titleDifference(same, one), ...kind.differences(same, one)]);
    const twin = byKey.get(kind.twinKey(one));
    if (!twin) return isNew;
    return { standing: 'doubled', counterpart: { ref: twin.ref, title: twin.title }, differences: [] };
  };
  return kind.incoming.map((one) => ({
    key: incomingKey(kind.type, one.ref),
    type: kind.type,
    ref: one.ref,
    kind: kind.type,
    title: one.title,
    parent: null,
    ...verdictOn(one),
  }));
}

const titleDifference = (here: { title: string }, there: { title: string }): string[] =>
  titleKey(here.title) === titleKey(there.title)
    ? []
    : [`it is called “${there.title}” instead of “${here.title}”`];

const numberDifference = (here: number | null, there: number | null, what: string): string[] =>
  here === there || there === null ? [] : [`${what} ${there} instead of ${here ?? 'unknown'}`];

function heldSetup(shell: Shell, incoming: Shell): Held[] {
  const [hereBanks, thereBanks] = [byId(shell), byId(incoming)];
  const bankText = (contents: ReadonlyMap<string, Content>, content: string | null) =>
    textOfContent(contents.get(content ?? ''));
  return [
    ...heldOf({
      type: 'gradeCategory',
      here: shell.gradeCategories,
      incoming: incoming.gradeCategories,
      differences: (here, there) => numberDifference(here.weight, there.weight, 'weight'),
      twinKey: (category) => titleKey(category.title),
    }),
    ...heldOf({
      type: 'gradeColumn',
      here: shell.gradeColumns,
      incoming: incoming.gradeColumns,
      differences: (here, there) => numberDifference(here.points, there.points, 'points'),
      twinKey: (column) => `${titleKey(column.title)} ${column.points ?? ''}`,
    }),
    ...heldOf({
      type: 'bank',
      here: shell.banks,
      incoming: incoming.banks,
      differences: (here, there) =>
        bankText(hereBanks, here.content) === bankText(thereBanks, there.content)
          ? []
          : ['its questions differ'],
      twinKey: (bank) => titleKey(bank.title),
    }),
  ];
}

/** The proposal: what is new, without old events, announcements and empty grade categories; a module only with something to hold. */
function propose(shell: Shell, incoming: Shell, held: readonly Held[]): IncomingThing[] {
  const columnsIn = new Set(incoming.gradeColumns.map((c) => c.category as string | null));
  const events = new Map<string, CourseEvent>(incoming.events.map((e) => [e.ref, e]));
  const used = usedFiles(incoming);
  const reason = (thing: Held): string | null => {
    if (thing.standing === 'there') return 'it is there already';
    if (thing.standing === 'doubled') return `the same is there as “${thing.counterpart?.title ?? ''}”`;
    if (thing.standing === 'differs') return 'another version of it is there';
    if (thing.kind === 'announcement') return 'an announcement of another term';
    const event = thing.type === 'event' ? events.get(thing.ref) : undefined;
    if (event && event.occurrences.every((o) => sideOfTerm(dateOf(o), shell.term).side !== 'inside'))
      return 'it lies outside this term';
    if (thing.type === 'gradeCategory' && !columnsIn.has(thing.ref)) return 'nothing is in it';
    // Files come along with what shows them; the others are what nobody dares to delete later.
    if (thing.type === 'file' && !used.has(thing.ref)) return 'nothing uses it';
    return null;
  };
  const wanted = new Map<IncomingKey, string | null>(held.map((t) => [t.key, reason(t)]));
  const children = new Map<IncomingKey, IncomingKey[]>();
  for (const thing of held) if (thing.parent) collect(children, thing.parent, thing.key);
  const kinds = new Map(held.map((t) => [t.key, t.kind]));
  for (const thing of [...held].reverse()) {
    const inside = children.get(thing.key);
    if (
      thing.kind === 'module' &&
      inside &&
      wanted.get(thing.key) === null &&
      inside.every((k) => wanted.get(k) !== null || kinds.get(k) === 'heading')
    ) {
      wanted.set(thing.key, 'nothing in it is taken');
      for (const k of inside) if (wanted.get(k) === null) wanted.set(k, 'nothing below it is taken');
    }
  }
  return held.map((t) => ({
    ...t,
    proposed: wanted.get(t.key) === null,
    leftOut: wanted.get(t.key) ?? null,
  }));
}

/** Files that an item of the package shows or uses, directly or through others. */
function usedFiles(incoming: Shell): Set<string> {
  const roots = incoming.items.flatMap((i) => (i.content ? [contentNode(i.content)] : []));
  return new Set(
    [...reachableFrom(linkGraphOf(incoming), roots)]
      .filter((node) => node.startsWith('file:'))
      .map((node) => node.slice(5)),
  );
}

/** The verdict on a thing that the shell has under the same name. */
const sameThing = (
  same: { readonly ref: string; readonly title: string },
  differences: readonly string[],
): Verdict => ({
  standing: differences.length ? 'differs' : 'there',
  counterpart: { ref: same.ref, title: same.title },
  differences,
});

const sizeDifference = (ours: { readonly bytes: number }, theirs: { readonly bytes: number }): string =>
  ours.bytes === theirs.bytes
    ? 'other bytes under the same name'
    : `${spellBytes(theirs.bytes)} instead of ${spellBytes(ours.bytes)} under the same name`;

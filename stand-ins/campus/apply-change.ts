import {
  fieldSchemas,
  type CollectionName,
  type WireChange,
  type WireOutcome,
} from '@/connectors/campus/wire';
import {
  dropRecord,
  leansOn,
  putRecord,
  setFields,
  tagOf,
  type Collection,
  type HostRecord,
  type HostShell,
} from './host-shell';
import { withIds } from './ids';

type Refusal = Extract<WireOutcome, { is: 'refused' }>;
const refused = (code: Refusal['code'], message: string): Refusal => ({ is: 'refused', code, message });
const done = (record: HostRecord | null): WireOutcome => ({
  is: 'done',
  id: record?.id ?? '',
  tag: record ? tagOf(record) : '',
});

/** What a request has done so far: its own changes are no changes by others. */
export interface RequestSoFar {
  /** Ids that stand for the caller’s names. */
  readonly ids: Map<string, string>;
  readonly touched: Set<string>;
  readonly mint: () => string;
}

/** Does one change to a shell, or says why not; a change is done whole or not at all. */
export function applyChange(shell: HostShell, written: WireChange, soFar: RequestSoFar): WireOutcome {
  const led = withIds(written, soFar.ids) as WireChange;
  // The caller’s own name is no reference, also where an id stands in it.
  const change = led.do === 'make' && written.do === 'make' ? { ...led, as: written.as } : led;
  if (change.do === 'describe') return describe(shell, change, soFar);
  if (shell.readOnly.includes(change.in))
    return refused('read-only', `this host does not let anybody change its ${change.in}`);
  switch (change.do) {
    case 'make':
      return make(shell, change, soFar);
    case 'change':
      return changeRecord(shell, change, soFar);
    case 'remove':
      return remove(shell, change, soFar);
    case 'order':
      return order(shell, change);
  }
}

type Change<Do extends WireChange['do']> = Extract<WireChange, { do: Do }>;

function describe(shell: HostShell, change: Change<'describe'>, soFar: RequestSoFar): WireOutcome {
  if (change.tag !== tagOf(shell) && !soFar.touched.has(shell.id))
    return refused('changed', 'the description of the shell was changed since');
  shell.description = { ...shell.description, ...change.fields };
  shell.version += 1;
  soFar.touched.add(shell.id);
  return { is: 'done', id: shell.id, tag: tagOf(shell) };
}

function make(shell: HostShell, change: Change<'make'>, soFar: RequestSoFar): WireOutcome {
  const collection = shell.collections[change.in];
  const id = soFar.mint();
  const named = new Map(soFar.ids).set(change.as, id);
  const fields = withIds(change.fields, named) as Record<string, unknown>;
  const misfit = misfitOf(change.in, fields) ?? missingOf(shell, change.in, fields);
  if (misfit !== null) return refused('invalid', misfit);
  if (pathIsTaken(collection, fields)) return refused('invalid', 'there is a file of this address already');
  if (change.after !== null && !collection.records.has(change.after))
    return refused('gone', 'what it should stand behind is not there any more');
  const record: HostRecord = { id, version: 1, fields };
  putRecord(shell, change.in, record, change.after);
  soFar.ids.set(change.as, id);
  soFar.touched.add(id);
  return done(record);
}

function changeRecord(shell: HostShell, change: Change<'change'>, soFar: RequestSoFar): WireOutcome {
  const collection = shell.collections[change.in];
  const record = collection.records.get(change.id);
  if (!record) return refused('gone', 'it is not there any more');
  if (change.tag !== tagOf(record) && !soFar.touched.has(record.id))
    return refused('changed', `somebody changed “${titleOf(record)}” since`);
  const fields = { ...record.fields, ...change.fields };
  const misfit = misfitOf(change.in, fields) ?? missingOf(shell, change.in, fields);
  if (misfit !== null) return refused('invalid', misfit);
  setFields(shell, change.in, record, fields);
  soFar.touched.add(record.id);
  return done(record);
}

function remove(shell: HostShell, change: Change<'remove'>, soFar: RequestSoFar): WireOutcome {
  const collection = shell.collections[change.in];
  const record = collection.records.get(change.id);
  if (!record) return refused('gone', 'it is not there any more');
  if (change.tag !== tagOf(record) && !soFar.touched.has(record.id))
    return refused('changed', `somebody changed “${titleOf(record)}” since`);
  const held = whyHeld(shell, change, record);
  if (held !== null) return refused('held', held);
  dropRecord(shell, change.in, record);
  return done(null);
}

/** The host’s own guards. */
function whyHeld(shell: HostShell, change: Change<'remove'>, record: HostRecord): string | null {
  const work = Number(record.fields['studentWork'] ?? record.fields['results'] ?? 0);
  if (work > change.work) return `“${titleOf(record)}” has student work (${work}) that nobody told of`;
  if (change.in === 'home-pages' && record.fields['inUse'] === true)
    return 'it is the home page in use; put another one in use first';
  const [leaning] = shell.leaning.get(record.id) ?? [];
  return leaning === undefined ? null : `“${titleOf(leaning)}” still leans on it`;
}

function order(shell: HostShell, change: Change<'order'>): WireOutcome {
  const collection = shell.collections[change.in];
  const wanted = new Set(change.was);
  const slots = collection.order.flatMap((id, at) => (wanted.has(id) ? [at] : []));
  const isAsSeen =
    slots.length === change.was.length && slots.every((at, n) => collection.order[at] === change.was[n]);
  if (!isAsSeen) return refused('changed', 'the order was changed since');
  if (change.ids.length !== slots.length || change.ids.some((id) => !wanted.has(id)))
    return refused('invalid', 'an order names the same records before and after');
  slots.forEach((at, n) => {
    collection.order[at] = change.ids[n] ?? '';
  });
  collection.revision += 1;
  return done(null);
}

function misfitOf(name: CollectionName, fields: Readonly<Record<string, unknown>>): string | null {
  const parsed = fieldSchemas[name].safeParse(fields);
  if (parsed.success) return null;
  const [issue] = parsed.error.issues;
  return `${issue?.path.join('.') ?? 'it'}: ${issue?.message ?? 'not understood'}`;
}

/** What a record names must be there. */
function missingOf(
  shell: HostShell,
  name: CollectionName,
  fields: Readonly<Record<string, unknown>>,
): string | null {
  const { outline, contents, 'grade-categories': categories } = shell.collections;
  const missing = leansOn(name, fields).find(
    (id) => !outline.records.has(id) && !contents.records.has(id) && !categories.records.has(id),
  );
  return missing === undefined ? null : `it names ${missing}, which is not there`;
}

const pathIsTaken = (collection: Collection, fields: Readonly<Record<string, unknown>>): boolean =>
  typeof fields['path'] === 'string' && collection.paths.has(fields['path']);

const titleOf = ({ fields, id }: HostRecord): string => {
  const title = fields['title'] ?? fields['path'];
  return typeof title === 'string' && title !== '' ? title : id;
};

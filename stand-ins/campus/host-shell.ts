import { entryOf } from '@/core/entries';
import { collectionNames, type CollectionName, type WireShell } from '@/connectors/campus/wire';

export interface HostRecord {
  readonly id: string;
  /** Counted up with every change of it. */
  version: number;
  fields: Record<string, unknown>;
}

/** The records of one collection, in order. */
export interface Collection {
  order: string[];
  readonly records: Map<string, HostRecord>;
  /** Counted up with every change in it. */
  revision: number;
  /** Addresses that its records have. */
  readonly paths: Set<string>;
}

/** One shell as the host keeps it. */
export interface HostShell {
  readonly id: string;
  version: number;
  description: WireShell['description'];
  readonly people: Record<string, number>;
  readonly readOnly: readonly CollectionName[];
  readonly collections: Readonly<Record<CollectionName, Collection>>;
  /** Which records lean on an id. */
  readonly leaning: Map<string, Set<HostRecord>>;
}

export const emptyCollections = (): Record<CollectionName, Collection> =>
  Object.fromEntries(
    collectionNames.map((name): [CollectionName, Collection] => [
      name,
      { order: [], records: new Map(), revision: 0, paths: new Set() },
    ]),
  ) as Record<CollectionName, Collection>;

export const tagOf = (record: Pick<HostRecord, 'version'>): string => `v${record.version}`;

/** Which fields of a record name other records that must be there. */
const structural: Readonly<Partial<Record<CollectionName, readonly string[]>>> = {
  outline: ['parent', 'content', 'requires'],
  files: ['content'],
  'grade-columns': ['category'],
  banks: ['content'],
};

/** Ids that a record leans on: none of them can be removed before it. */
export function leansOn(collection: CollectionName, fields: Readonly<Record<string, unknown>>): string[] {
  return (structural[collection] ?? []).flatMap((name) => {
    const value = entryOf(fields, name);
    const list: unknown[] = Array.isArray(value) ? value : [value];
    return list.filter((id): id is string => typeof id === 'string');
  });
}

const pathOf = ({ fields }: Pick<HostRecord, 'fields'>): string | null =>
  typeof fields['path'] === 'string' ? fields['path'] : null;

/** Puts a record behind another, or at the head. */
export function putRecord(
  shell: HostShell,
  name: CollectionName,
  record: HostRecord,
  after: string | null,
): void {
  const collection = shell.collections[name];
  collection.records.set(record.id, record);
  const at = after === null ? 0 : collection.order.indexOf(after) + 1;
  collection.order.splice(at, 0, record.id);
  noteRecord(shell, name, record);
}

export function setFields(
  shell: HostShell,
  name: CollectionName,
  record: HostRecord,
  fields: HostRecord['fields'],
): void {
  forgetRecord(shell, name, record);
  record.fields = fields;
  record.version += 1;
  noteRecord(shell, name, record);
}

export function dropRecord(shell: HostShell, name: CollectionName, record: HostRecord): void {
  const collection = shell.collections[name];
  collection.records.delete(record.id);
  collection.order.splice(collection.order.lastIndexOf(record.id), 1);
  forgetRecord(shell, name, record);
}

function noteRecord(shell: HostShell, name: CollectionName, record: HostRecord): void {
  shell.collections[name].revision += 1;
  const path = pathOf(record);
  if (path !== null) shell.collections[name].paths.add(path);
  for (const id of leansOn(name, record.fields)) {
    const known = shell.leaning.get(id);
    if (known) known.add(record);
    else shell.leaning.set(id, new Set([record]));
  }
}

function forgetRecord(shell: HostShell, name: CollectionName, record: HostRecord): void {
  shell.collections[name].revision += 1;
  const path = pathOf(record);
  if (path !== null) shell.collections[name].paths.delete(path);
  for (const id of leansOn(name, record.fields)) shell.leaning.get(id)?.delete(record);
}

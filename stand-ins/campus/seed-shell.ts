import { collectionOf, idField } from '@/connectors/campus/collections';
import { fieldsOf } from '@/connectors/campus/shell-of-lists';
import type { CollectionName } from '@/connectors/campus/wire';
import { keyOf, listNames } from '@/core/edits/edit';
import { digest } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import type { FilePath, Sha256 } from '@/core/refs/refs';
import type { CampusHost } from './host';
import { emptyCollections, putRecord, type HostShell } from './host-shell';

export interface SeedSource {
  read(hash: Sha256, path: FilePath): Buffer | null;
}

/**
 * Puts a shell on a host as if it had always been there: everything gets an id of the host’s, and every file an address
 * with the id of its content in it; texts link to those addresses. Returns the shell’s id there.
 */
export function seedShell(
  host: CampusHost,
  shell: Shell,
  source: SeedSource,
  about: { readonly readOnly?: readonly CollectionName[] } = {},
): string {
  const addressed = addressedAnew(host, shell);
  const collections = emptyCollections();
  const seeded: HostShell = {
    id: host.mint(),
    version: 1,
    description: {
      code: shell.code,
      title: shell.title,
      timeZone: shell.timeZone,
      term: { ...shell.term },
      previousTerm: shell.previousTerm ? { ...shell.previousTerm } : null,
      noClassDays: [...shell.noClassDays],
      today: shell.asOf,
      calendar: shell.calendar ? { head: shell.calendar.head, others: [...shell.calendar.others] } : null,
    },
    people: { ...shell.enrolments },
    readOnly: about.readOnly ?? [],
    collections,
    leaning: new Map(),
  };
  for (const list of listNames) {
    let after: string | null = null;
    for (const thing of addressed[list]) {
      const id: string = idField[list] === undefined ? host.mint() : keyOf(thing);
      putRecord(seeded, collectionOf[list], { id, version: 1, fields: fieldsOf(list, thing) }, after);
      after = id;
    }
  }
  keepBytes(host, shell, addressed, source);
  host.shells.set(seeded.id, seeded);
  return seeded.id;
}

/** The shell with ids of the host’s in place of its refs, in addresses and texts too. */
function addressedAnew(host: CampusHost, shell: Shell): Shell {
  const ids = new Map<string, string>();
  for (const list of listNames)
    if (idField[list] !== undefined) for (const thing of shell[list]) ids.set(keyOf(thing), host.mint());
  const names = new Map<string, string>();
  const paths = new Map<string, string>();
  for (const content of shell.contents)
    for (const path of content.files) {
      const at = path.lastIndexOf('/') + 1;
      const name = `${ids.get(content.id) ?? ''}-${path.slice(at)}`;
      names.set(path.slice(at), name);
      paths.set(path, `${path.slice(0, at)}${name}`);
    }
  const led = (text: string) => text.replace(/[\w.~%-]+\.\w+/g, (word) => names.get(word) ?? word);
  const renamed = rename(shell, ids, paths, led) as Shell;
  const bytesOf = (text: string | null, bytes: number, sha256: Sha256) =>
    text === null ? { bytes, sha256 } : { bytes: Buffer.byteLength(text), sha256: digest(text) };
  return {
    ...renamed,
    files: renamed.files.map((file) => ({ ...file, ...bytesOf(file.text, file.bytes, file.sha256) })),
  };
}

const bodies: ReadonlySet<string> = new Set(['texts', 'text', 'description']);

function rename(
  value: unknown,
  ids: ReadonlyMap<string, string>,
  paths: ReadonlyMap<string, string>,
  led: (text: string) => string,
  field = '',
): unknown {
  if (typeof value === 'string') {
    if (bodies.has(field)) return led(value);
    const path = paths.get(value);
    if (path !== undefined) return path;
    return naming.has(field) ? (ids.get(value) ?? value) : value;
  }
  if (Array.isArray(value)) return value.map((one) => rename(one, ids, paths, led, field));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, one]) => [name, rename(one, ids, paths, led, name)]),
  );
}

const naming: ReadonlySet<string> = new Set([
  'ref',
  'id',
  'parent',
  'content',
  'requires',
  'dependencies',
  'category',
  'gradeColumn',
  'groups',
]);

function keepBytes(host: CampusHost, shell: Shell, addressed: Shell, source: SeedSource): void {
  for (const { text } of addressed.files)
    if (text !== null) host.keepBytes(digest(text), Buffer.from(text, 'utf8'));
  for (const { sha256, path } of [...shell.files, ...shell.entries]) {
    const bytes = source.read(sha256, path);
    if (bytes) host.keepBytes(sha256, bytes);
  }
}

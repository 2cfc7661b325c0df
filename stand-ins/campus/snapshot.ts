import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { collectionNames, type CollectionName } from '@/connectors/campus/wire';
import type { CampusHost, HostJob } from './host';
import { emptyCollections, putRecord, type HostRecord, type HostShell } from './host-shell';

interface Snapshot {
  readonly shells: readonly (Omit<HostShell, 'collections' | 'leaning'> & {
    readonly records: Readonly<Record<CollectionName, readonly HostRecord[]>>;
  })[];
  readonly bytes: Readonly<Record<string, string>>;
  readonly jobs: readonly (Omit<HostJob, 'ids' | 'touched'> & {
    readonly ids: readonly [string, string][];
  })[];
  readonly keys: Readonly<Record<string, string>>;
}

/** Writes down all that a host knows, so that it is as it was when it is started again. */
export function saveSnapshot(host: CampusHost, file: string): void {
  const snapshot: Snapshot = {
    shells: [...host.shells.values()].map(({ collections, leaning: _, ...shell }) => ({
      ...shell,
      records: Object.fromEntries(
        collectionNames.map((name) => [
          name,
          collections[name].order.flatMap((id) => collections[name].records.get(id) ?? []),
        ]),
      ) as Record<CollectionName, HostRecord[]>,
    })),
    bytes: Object.fromEntries([...host.bytes].map(([hash, bytes]) => [hash, bytes.toString('base64')])),
    jobs: [...host.jobs.values()].map(({ ids, touched: _, ...job }) => ({ ...job, ids: [...ids] })),
    keys: Object.fromEntries(host.keys),
  };
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(`${file}.new`, JSON.stringify(snapshot));
  renameSync(`${file}.new`, file);
}

/** Takes in what was written down; false where nothing was. */
export function loadSnapshot(host: CampusHost, file: string): boolean {
  if (!existsSync(file)) return false;
  const snapshot = JSON.parse(readFileSync(file, 'utf8')) as Snapshot;
  for (const { records, ...about } of snapshot.shells) {
    const shell: HostShell = { ...about, collections: emptyCollections(), leaning: new Map() };
    for (const name of collectionNames) {
      let after: string | null = null;
      for (const record of records[name]) {
        putRecord(shell, name, record, after);
        after = record.id;
      }
    }
    host.shells.set(shell.id, shell);
  }
  for (const [hash, bytes] of Object.entries(snapshot.bytes))
    host.bytes.set(hash, Buffer.from(bytes, 'base64'));
  for (const { ids, ...job } of snapshot.jobs)
    host.jobs.set(job.id, {
      ...job,
      state: job.state === 'running' ? 'interrupted' : job.state,
      ids: new Map(ids),
      touched: new Set(),
    });
  for (const [key, job] of Object.entries(snapshot.keys)) host.keys.set(key, job);
  return true;
}

import { CampusConnector } from '@/connectors/campus/campus-connector';
import {
  HostClient,
  usualPace,
  type HostAccess,
  type Hitch,
  type Pace,
} from '@/connectors/campus/host-client';
import { Names } from '@/connectors/campus/names';
import type { Connector, NameThere } from '@/connectors/connector';
import type { WorkerTools } from '@/services/keep/jobs/job-record';

/** What a job needs to know to work with a shell at a host. It is asked for when it runs, so that no secret stands in a job’s row. */
export interface HostDoor {
  readonly access: HostAccess;
  readonly hostShell: string;
  readonly names: readonly NameThere[];
}

/** For tests with a host on this computer: the same tries, with shorter waits between them. */
const quickPace: Pace = { ...usualPace, firstWait: 3, longestWait: 60, patience: 80 };
const pace = process.env['CURRYCOMB_HOST_PACE'] === 'quick' ? quickPace : usualPace;

/** Opens a shell at its host for a job; what is met on the way goes to `onHitch`. */
export const connect = (
  door: HostDoor,
  { blobs, progress }: Pick<WorkerTools, 'blobs' | 'progress'>,
  onHitch: (hitch: Hitch) => void,
): Connector =>
  new CampusConnector(new HostClient(door.access, onHitch, pace), {
    shell: door.hostShell,
    names: new Names(door.names),
    vault: {
      has: (hash) => blobs.has(hash),
      read: (hash) => blobs.read(hash) ?? null,
      put: (bytes) => blobs.put(bytes),
    },
    onHitch,
    onProgress: progress,
  });

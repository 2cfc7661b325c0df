import type { IncomingThing } from '@/core/add/incoming';
import { thingsOf } from '@/core/add/part-of';
import type { Sha256 } from '@/core/refs/refs';
import { loadBareShell } from '@/store/state/keep-shell';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** Everything of the shell as it stands now, to choose a part from. */
export const thingsToExport = (folder: OpenFolder, shell: CurrentShell): IncomingThing[] =>
  thingsOf(loadBareShell(folder.blobs, shell.version.stateBlob as Sha256));

import type { Sha256 } from '@/core/refs/refs';
import { loadBareShell } from '@/store/state/keep-shell';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** The shell's own time zone: what comes in is read on its clock. */
export const loadCurrentZone = (folder: OpenFolder, shell: CurrentShell): string =>
  loadBareShell(folder.blobs, shell.version.stateBlob as Sha256).timeZone;

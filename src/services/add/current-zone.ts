import type { Sha256 } from '@/core/shell/refs';
import { loadBareShell } from '@/store/state/keep-shell';
import type { OpenFolder } from '../open-folder';
import type { CurrentShell } from '../shells/current-shell';

/** The shell's own time zone: what comes in is read on its clock. */
export const loadCurrentZone = (folder: OpenFolder, shell: CurrentShell): string =>
  loadBareShell(folder.blobs, shell.version.stateBlob as Sha256).timeZone;

import { clearOldUploads } from './bring-in/uploads';
import { appContext, FolderTaken } from './open-context';

/** Opens the data folder for the web process; where another process has it, says so in one sentence and ends. */
export function openStore(): void {
  try {
    clearOldUploads(appContext(), Date.now());
  } catch (error) {
    if (!(error instanceof FolderTaken)) throw error;
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  }
}

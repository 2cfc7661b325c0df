import { clearLeftovers } from './storage/leftovers';
import { faultOf } from './log/fault';
import { noteTrouble } from './log/troubles';
import { appContext, FolderTaken } from './open-context';
import { appWatcher } from './watched/folder-watcher';
import { StorageFault } from './storage/storage-fault';

/** How often what nobody fetched is cleared away, in milliseconds. */
const clearedEvery = 10 * 60_000;

/**
 * Opens the data folder for the web process. Where another process has it, says so in one sentence and ends. Where it
 * can’t be used now, says why: every page and request says it, too, and tries again.
 */
export function openStore(): void {
  try {
    clearLeftovers(appContext(), Date.now());
    void appWatcher(appContext()).begin();
  } catch (error) {
    if (!(error instanceof StorageFault)) throw error;
    process.stderr.write(`${error.message}\n`);
    if (error instanceof FolderTaken) process.exit(1);
    noteTrouble({ during: 'start', id: '', sentence: error.message, fault: faultOf(error.cause) });
  }
  setInterval(clearAgain, clearedEvery).unref();
}

function clearAgain(): void {
  try {
    clearLeftovers(appContext(), Date.now());
  } catch (error) {
    const sentence = error instanceof StorageFault ? error.message : null;
    noteTrouble({ during: 'clearing up', id: '', sentence, fault: faultOf(error) });
  }
}

import { join } from 'node:path';
import { appContext, dataFolder, provideContext, rootFolder } from '@/services/keep/desks/app-context';
import type { Context } from '@/services/keep/desks/context';
import { faultOf } from '@/services/keep/log/fault';
import { noteTrouble } from '@/services/keep/log/troubles';
import { FolderTaken, openContext } from './open-context';
import { appWatcher } from '@/services/do/watched/folder-watcher';
import { clearLeftovers, clearReadUploads } from '@/services/keep/storage/leftovers';
import { isStorageFault } from '@/services/keep/storage/storage-fault';

/** How often what nobody fetched is cleared away, in milliseconds. */
const clearedEvery = 10 * 60_000;

/**
 * Opens the data folder for the web process. Where another process has it, says so in one sentence and ends. Where it
 * can’t be used now, says why: every page and request says it, too, and tries again.
 */
export function openStore(): void {
  provideContext(openOnce());
  try {
    clearReadUploads(appContext());
    clearLeftovers(appContext(), Date.now());
    void appWatcher(appContext()).begin();
  } catch (error) {
    if (!isStorageFault(error)) throw error;
    process.stderr.write(`${error.message}\n`);
    if (error instanceof FolderTaken) process.exit(1);
    noteTrouble({ during: 'start', id: '', sentence: error.message, fault: faultOf(error.cause) });
  }
  setInterval(clearAgain, clearedEvery).unref();
}

/** Opens the folder when it is first asked for. Where it can't be opened, whoever asks next tries again. */
function openOnce(): () => Context {
  let context: Context | null = null;
  const root = rootFolder();
  const paths = {
    dataDir: dataFolder(),
    migrationsDir: join(root, 'src/store/migrations'),
    workers: join(root, 'dist/workers'),
  };
  return () => (context ??= openContext(paths));
}

function clearAgain(): void {
  try {
    clearLeftovers(appContext(), Date.now());
  } catch (error) {
    const sentence = isStorageFault(error) ? error.message : null;
    noteTrouble({ during: 'clearing up', id: '', sentence, fault: faultOf(error) });
  }
}

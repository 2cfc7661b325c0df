import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { Context } from '@/services/keep/desks/context';
import { faultOf } from '@/services/keep/log/fault';
import { noteTrouble } from '@/services/keep/log/troubles';
import { appContext, dataFolder } from '@/services/keep/desks/app-context';
import { StorageFault, storageFault } from '@/services/keep/storage/storage-fault';

/**
 * What a page reads of the store. Where it can’t be read, the error carries the sentence that the page for errors
 * shows; it is written down, and the next visit tries again.
 */
export function withContext<T>(read: (context: Context) => T): T {
  try {
    return read(appContext());
  } catch (error) {
    if (error instanceof UnreadableStore) throw new StorageFault(error.message, { cause: error });
    const fault = storageFault(error, dataFolder());
    if (!fault) throw error;
    noteTrouble({ during: 'a page', id: '', sentence: fault.message, fault: faultOf(fault.cause) });
    throw fault;
  }
}

import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { OpenFolder } from '../context';
import { faultOf, type Fault } from '../log/fault';
import { findShell } from '../shells/current-shell';
import { StorageFault, storageFault } from '../storage/storage-fault';
import { stageViews, type Stage } from './stage-views';

/** What a thread is asked to draw: a stage of a shell, with the query of its address. */
export interface StageOrder {
  readonly shellId: string;
  readonly stage: Stage;
  readonly query: string;
}

/** Why there is nothing to show. Errors lose what they are on their way from thread to thread, so they are told apart here. */
export type StageTrouble =
  | { readonly type: 'gone' }
  | { readonly type: 'unreadable'; readonly sentence: string }
  | { readonly type: 'storage'; readonly sentence: string; readonly fault: Fault };

/** What a stage shows as JSON in UTF-8, or why not. */
export type StageAnswer = Uint8Array<ArrayBuffer> | StageTrouble;

/** Draws a stage from a folder; where that can’t be opened, this is what is told, too. */
export function drawStage(
  dataDir: string,
  open: () => OpenFolder,
  { shellId, stage, query }: StageOrder,
): StageAnswer {
  try {
    const folder = open();
    const shell = findShell(folder, shellId);
    if (!shell) return { type: 'gone' };
    const view = stageViews[stage](folder, shell, new URLSearchParams(query));
    return new TextEncoder().encode(JSON.stringify(view));
  } catch (error) {
    if (error instanceof UnreadableStore) return { type: 'unreadable', sentence: error.message };
    const storage = storageFault(error, dataDir);
    if (!storage) throw error;
    return { type: 'storage', sentence: storage.message, fault: faultOf(storage.cause ?? error) };
  }
}

/**
 * The bytes of an answer; null where the shell is not here any more. Throws UnreadableStore and StorageFault as reading
 * here would. It is asked by whoever catches them: the framework loads code more than once, and each copy knows its own
 * errors alone.
 */
export function bytesOf(answer: StageAnswer): Uint8Array<ArrayBuffer> | null {
  if (answer instanceof Uint8Array) return answer;
  switch (answer.type) {
    case 'gone':
      return null;
    case 'unreadable':
      throw new UnreadableStore(answer.sentence);
    case 'storage':
      throw new StorageFault(answer.sentence, { cause: answer.fault });
  }
}

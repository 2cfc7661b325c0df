import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { OpenFolder } from '../context';
import { faultOf } from '../log/fault';
import { findShell } from '../shells/current-shell';
import { storageFault } from '../storage/storage-fault';
import type { StageAnswer } from './stage-answer';
import type { StageOrder } from './stage-order';
import { stageViews } from './stage-views';

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

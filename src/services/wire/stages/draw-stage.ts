import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { drafts } from '@/services/do/drafts/draft-kinds';
import type { DraftKind } from '@/services/keep/desks/draft-types';
import { faultOf } from '@/services/keep/log/fault';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';
import { storageFault } from '@/services/keep/storage/storage-fault';
import type { DraftAnswer, StageAnswer, StageTrouble } from '@/services/keep/desks/stage-answer';
import type { DraftOrder, StageOrder } from '@/services/keep/desks/stage-order';
import { stageViews } from './stage-views';

/** The folder that a thread reads. */
export interface ReadFolder {
  readonly dataDir: string;
  /** Opens it; where that can’t be done, this is what is told, too. */
  readonly open: () => OpenFolder;
}

/** Draws a stage from a folder. */
export function drawStage(read: ReadFolder, { shellId, stage, query }: StageOrder): StageAnswer {
  return aboutShell(read, shellId, (folder, shell) => {
    const view = stageViews[stage](folder, shell, new URLSearchParams(query));
    return view === null ? gone : new TextEncoder().encode(JSON.stringify(view));
  });
}

/** Works a change of a plan out. */
export function draftChange<Kind extends DraftKind>(
  read: ReadFolder,
  { shellId, kind, ask }: DraftOrder<Kind>,
): DraftAnswer<Kind> {
  return aboutShell<DraftAnswer<Kind>>(read, shellId, (folder, shell) => {
    const result = drafts[kind](folder, shell, ask as never);
    return { type: 'drafted', result } as DraftAnswer<Kind>;
  });
}

const gone = { type: 'gone' } as const;

/** Whatever goes wrong is told, since errors lose what they are on their way to another thread. */
function aboutShell<Answer>(
  { dataDir, open }: ReadFolder,
  shellId: string,
  act: (folder: OpenFolder, shell: CurrentShell) => Answer,
): Answer | StageTrouble {
  try {
    const folder = open();
    const shell = findShell(folder, shellId);
    return shell ? act(folder, shell) : gone;
  } catch (error) {
    if (error instanceof UnreadableStore) return { type: 'unreadable', sentence: error.message };
    const storage = storageFault(error, dataDir);
    if (!storage) throw error;
    return { type: 'storage', sentence: storage.message, fault: faultOf(storage.cause ?? error) };
  }
}

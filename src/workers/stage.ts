import { join } from 'node:path';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { DeskOrder, DeskReport } from '@/services/wire/processes/process-desk';
import { draftChange, drawStage, type ReadFolder } from '@/services/wire/stages/draw-stage';
import { runErrand } from '@/services/wire/stages/errands';
import type { ErrandOrder } from '@/services/keep/desks/errand-types';
import type { DraftOrder, StageOrder } from '@/services/keep/desks/stage-order';
import { BlobStore } from '@/store/blobs';
import { readDatabase } from '@/store/database';
import { startParent } from './parent';

/**
 * A worker process: works out what stages show, what changes of plans would come to, and what was sent from outside. It
 * only reads.
 */
const parent = startParent<{ dataDir: string }, DeskOrder, DeskReport>();
const { dataDir } = parent.data;
let folder: OpenFolder | null = null;
const open = (): OpenFolder =>
  (folder ??= { db: readDatabase(dataDir), blobs: new BlobStore(join(dataDir, 'blobs')), dataDir });
const read: ReadFolder = { dataDir, open };

async function answerTo({ name, ask }: DeskOrder): Promise<unknown> {
  switch (name) {
    case 'draw':
      return drawStage(read, ask as StageOrder);
    case 'draft':
      return draftChange(read, ask as DraftOrder);
    case 'errand':
      return runErrand(ask as ErrandOrder);
    case 'ready':
      return null;
    default:
      throw new Error(`a stage is not asked to ${name}`);
  }
}

async function report(order: DeskOrder): Promise<DeskReport> {
  const { number } = order;
  try {
    return { number, is: 'answer', answer: await answerTo(order) };
  } catch (error) {
    return { number, is: 'error', error: error instanceof Error ? error : new Error(String(error)) };
  }
}

parent.hear((order) => void report(order).then((done) => parent.tell(done)));

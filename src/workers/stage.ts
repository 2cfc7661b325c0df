import { join } from 'node:path';
import { move, workerData } from 'piscina';
import type { OpenFolder } from '@/services/open-folder';
import type { DraftKind } from '@/services/decide/draft-kinds';
import { draftChange, drawStage, type ReadFolder } from '@/services/stages/draw-stage';
import type { DraftAnswer, StageAnswer } from '@/services/stages/stage-answer';
import type { DraftOrder, StageOrder } from '@/services/stages/stage-order';
import { BlobStore } from '@/store/blobs';
import { readDatabase } from '@/store/database';

/** A worker thread: works out what stages show, and what changes of plans would come to. It reads alone. */
const { dataDir } = workerData as { dataDir: string };
let folder: OpenFolder | null = null;
const open = (): OpenFolder =>
  (folder ??= { db: readDatabase(dataDir), blobs: new BlobStore(join(dataDir, 'blobs')), dataDir });
const read: ReadFolder = { dataDir, open };

export default function draw(order: StageOrder): StageAnswer {
  const answer = drawStage(read, order);
  // The bytes change hands; they are not copied.
  return answer instanceof Uint8Array ? (move(answer) as StageAnswer) : answer;
}

/** Is asked for nothing but that the thread is there. */
export function ready(): void {}

export function draft<Kind extends DraftKind>(order: DraftOrder<Kind>): DraftAnswer<Kind> {
  return draftChange(read, order);
}

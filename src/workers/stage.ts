import { join } from 'node:path';
import { move, workerData } from 'piscina';
import type { OpenFolder } from '@/services/context';
import { drawStage } from '@/services/stages/draw-stage';
import type { StageAnswer } from '@/services/stages/stage-answer';
import type { StageOrder } from '@/services/stages/stage-order';
import { BlobStore } from '@/store/blobs';
import { readDatabase } from '@/store/database';

/** A worker thread: works out what stages show. It reads alone. */
const { dataDir } = workerData as { dataDir: string };
let folder: OpenFolder | null = null;
const open = (): OpenFolder =>
  (folder ??= { db: readDatabase(dataDir), blobs: new BlobStore(join(dataDir, 'blobs')), dataDir });

export default function draw(order: StageOrder): StageAnswer {
  const answer = drawStage(dataDir, open, order);
  // The bytes change hands; they are not copied.
  return answer instanceof Uint8Array ? (move(answer) as StageAnswer) : answer;
}

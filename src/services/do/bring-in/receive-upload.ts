import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import { bad, good, type Result } from '@/core/shell/result';
import { defaultLimits } from '@/formats/archive/limits';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { storageFault } from '@/services/keep/storage/storage-fault';
import { uploadsDir } from './uploads';

export interface ReceivedUpload {
  readonly id: string;
  readonly bytes: number;
}

type Body = AsyncIterable<Uint8Array>;

/**
 * Writes a file down as it streams in; nothing is left of one that does not arrive whole.
 * Trouble `upload-too-large`, `upload-empty`, `upload-cut`. Throws a StorageFault where it could not be written.
 */
export async function receiveUpload(
  folder: Pick<OpenFolder, 'dataDir'>,
  body: ReadableStream<Uint8Array> | null,
  announced: number | null,
  packedBytes = defaultLimits.packedBytes,
): Promise<Result<ReceivedUpload>> {
  if (announced !== null && announced > packedBytes) return tooLarge;
  if (!body || announced === 0) return emptyUpload;
  const id = randomUUID();
  const path = join(uploadsDir(folder), id);
  const received = await writeDown(body, path, packedBytes);
  if (received.type === 'whole' && (announced ?? received.bytes) === received.bytes && received.bytes > 0)
    return good({ id, bytes: received.bytes });
  rmSync(path, { force: true });
  switch (received.type) {
    case 'whole':
      return received.bytes === 0 ? emptyUpload : cutUpload;
    case 'too-large':
      return tooLarge;
    case 'cut':
      return cutUpload;
    case 'unwritten':
      throw storageFault(received.error, folder.dataDir) ?? received.error;
  }
}

const tooLarge = bad(
  'upload-too-large',
  'The file is larger than 2 GiB; Currycomb does not read packages that large.',
);
const emptyUpload = bad('upload-empty', 'The file is empty; choose another.');
const cutUpload = bad('upload-cut', 'The file did not arrive whole; try again.');

type Received =
  | { readonly type: 'whole'; readonly bytes: number }
  | { readonly type: 'too-large' | 'cut' }
  | { readonly type: 'unwritten'; readonly error: unknown };

/**
 * Writes a body to a new file, block by block. Where that fails the rest of the body is received all the same: a
 * browser that is cut off while it sends never reads why.
 */
async function writeDown(body: Body, path: string, mostBytes: number): Promise<Received> {
  const file = await open(path, 'wx').catch((error: unknown) => ({ error }));
  let failure = 'error' in file ? file : null;
  let bytes = 0;
  try {
    for await (const block of body) {
      bytes += block.length;
      // Nobody sends twice what is read by mistake.
      if (bytes > mostBytes * 2) break;
      if (failure || 'error' in file || bytes > mostBytes) continue;
      // `write` may take a part of a block only; this one writes all of it.
      failure = await file.appendFile(block).then(
        () => null,
        (error: unknown) => ({ error }),
      );
    }
  } catch {
    return { type: 'cut' };
  } finally {
    if (!('error' in file)) await file.close();
  }
  if (bytes > mostBytes) return { type: 'too-large' };
  return failure ? { type: 'unwritten', error: failure.error } : { type: 'whole', bytes };
}

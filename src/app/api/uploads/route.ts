import { randomUUID } from 'node:crypto';
import { createWriteStream, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { uploadsDir } from '@/services/bring-in/uploads';
import { appContext } from '@/services/open-context';
import { refuseForeign } from '@/services/safety/answer';
import { defaultLimits } from '@/services/safety/upload-limits';

/** Takes one file as the request's body, as it streams in; answers with the id to name it by. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  if (!request.body) return Response.json({ trouble: 'The file is empty; choose another.' }, { status: 400 });
  const id = randomUUID();
  const path = join(uploadsDir(appContext()), id);
  let size = 0;
  const meter = new Transform({
    transform(block: Buffer, _encoding, done) {
      size += block.length;
      done(size > defaultLimits.packedBytes ? new Error('too large') : null, block);
    },
  });
  try {
    await pipeline(Readable.fromWeb(request.body as WebStream), meter, createWriteStream(path));
  } catch {
    rmSync(path, { force: true });
    const tooLarge = size > defaultLimits.packedBytes;
    return Response.json(
      {
        trouble: tooLarge
          ? 'The file is larger than 2 GiB; Currycomb does not read packages that large.'
          : 'The file did not arrive whole; try again.',
      },
      { status: tooLarge ? 413 : 400 },
    );
  }
  const announced = Number(request.headers.get('content-length') ?? size);
  if (statSync(path).size !== announced) {
    rmSync(path, { force: true });
    return Response.json({ trouble: 'The file did not arrive whole; try again.' }, { status: 400 });
  }
  return Response.json({ id, bytes: size });
}

import { Readable } from 'node:stream';
import { appContext } from '@/services/keep/desks/app-context';
import { notFound } from '@/services/wire/answers/answer';
import { fetchBackup } from '@/services/do/storage/data-folder';
import { guarded } from '../../../guarded';

/** A backup that was written, once. */
export const GET = guarded<{ id: string }>((_, { id }) => {
  const backup = fetchBackup(appContext(), id);
  if (!backup) return notFound('backup');
  const day = new Date().toISOString().slice(0, 10);
  return new Response(Readable.toWeb(backup.stream) as ReadableStream, {
    headers: {
      'content-type': 'application/zip',
      'content-length': String(backup.bytes),
      'content-disposition': `attachment; filename="currycomb-${day}.backup"`,
    },
  });
});

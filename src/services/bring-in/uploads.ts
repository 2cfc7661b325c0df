import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import type { Context } from '../context';
import type { InputFile } from './shell-inputs';

export const upload = z.strictObject({
  id: z.string().regex(/^[0-9a-f-]{36}$/),
  name: z.string().min(1).max(200),
});
export type Upload = z.output<typeof upload>;

export const uploadsDir = (context: Pick<Context, 'dataDir'>): string => {
  const dir = join(context.dataDir, 'uploads');
  mkdirSync(dir, { recursive: true });
  return dir;
};

export const uploadedFile = (context: Context, of: Upload | undefined): InputFile | undefined =>
  of ? { path: join(uploadsDir(context), of.id), name: of.name } : undefined;

/** Uploads that nobody came back for within a day. */
export function clearOldUploads(context: Context, now: number): void {
  const dir = uploadsDir(context);
  for (const name of readdirSync(dir))
    if (now - statSync(join(dir, name)).mtimeMs > 86_400_000) rmSync(join(dir, name), { force: true });
}

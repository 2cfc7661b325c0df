import { join } from 'node:path';
import { z } from 'zod';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { passingFolder } from '@/services/keep/storage/leftovers';
import type { InputFile } from '@/services/do/packages/shell-inputs';

export const upload = z.strictObject({
  id: z.string().regex(/^[0-9a-f-]{36}$/),
  name: z.string().min(1).max(200),
});
export type Upload = z.output<typeof upload>;

export const uploadsDir = ({ dataDir }: Pick<OpenFolder, 'dataDir'>): string =>
  passingFolder(dataDir, 'uploads');

export const uploadedFile = (folder: OpenFolder, { id, name }: Upload): InputFile => ({
  path: join(uploadsDir(folder), id),
  name,
});

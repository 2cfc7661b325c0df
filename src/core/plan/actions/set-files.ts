import type { Readers, Shell } from '@/core/shell/model';
import { replacements, type Edit } from '../edits';

/** Says who can read files. */
export const setReaders = (shell: Shell, targets: ReadonlySet<string>, readableBy: Readers): Edit[] =>
  replacements(shell, 'files', (file) =>
    targets.has(file.path) && file.readableBy !== readableBy ? { ...file, readableBy } : file,
  );

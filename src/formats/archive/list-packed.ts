import { createHash } from 'node:crypto';
import { fromBufferPromise } from 'yauzl';
import type { PackedFile } from '@/core/shell/model';
import { sha256 } from '@/core/refs/refs';

/** Archives inside a package are looked into up to these sizes; larger ones stay unread. */
export const packedLimits = {
  archiveBytes: 64 * 1024 ** 2,
  unpackedBytes: 512 * 1024 ** 2,
  entries: 20_000,
  ratio: 200,
};

/** What all archives inside one package may come to together: so much is left to look into. */
export interface PackedBudget {
  unpackedBytes: number;
  entries: number;
}
export const packedBudget = (): PackedBudget => ({ unpackedBytes: 2 * 1024 ** 3, entries: 100_000 });

/** The files of a zip archive with their SHA-256; null for what is no zip, is damaged, encrypted or beyond the limits, its own or what is left for all. */
export async function listPacked(
  bytes: Buffer,
  budget: PackedBudget = packedBudget(),
): Promise<readonly PackedFile[] | null> {
  if (bytes.length > packedLimits.archiveBytes || bytes.length < 4 || bytes.readUInt32LE(0) !== 0x04034b50)
    return null;
  try {
    const zip = await fromBufferPromise(bytes, { lazyEntries: true });
    if (zip.entryCount > Math.min(packedLimits.entries, budget.entries)) return null;
    budget.entries -= zip.entryCount;
    const files: PackedFile[] = [];
    let total = 0;
    for await (const entry of zip.eachEntry()) {
      if (entry.fileName.endsWith('/')) continue;
      total += entry.uncompressedSize;
      budget.unpackedBytes -= entry.uncompressedSize;
      if (budget.unpackedBytes < 0) return null;
      const bomb =
        entry.uncompressedSize > 1024 ** 2 &&
        entry.uncompressedSize > entry.compressedSize * packedLimits.ratio;
      if (total > packedLimits.unpackedBytes || bomb || entry.isEncrypted()) return null;
      const hash = createHash('sha256');
      for await (const block of await zip.openReadStreamPromise(entry)) hash.update(block as Buffer);
      files.push({ name: entry.fileName, bytes: entry.uncompressedSize, sha256: sha256(hash.digest('hex')) });
    }
    return files;
  } catch {
    return null;
  }
}

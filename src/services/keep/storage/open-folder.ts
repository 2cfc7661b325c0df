import type { BlobStore } from '@/store/blobs';
import type { Db } from '@/store/database';

/** A data folder that is open: what is read of it needs no more. */
export interface OpenFolder {
  readonly db: Db;
  readonly blobs: BlobStore;
  readonly dataDir: string;
}

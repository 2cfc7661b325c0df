import {
  closeSync,
  createReadStream,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { digest } from '@/core/shell/digest';
import type { Sha256 } from '@/core/shell/refs';

/** Bytes kept under their SHA-256: what is equal is kept once, and versions share what they have in common. */
export class BlobStore {
  private counter = 0;

  constructor(private readonly folder: string) {
    mkdirSync(join(folder, 'new'), { recursive: true });
  }

  private path(hash: Sha256): string {
    return join(this.folder, hash.slice(0, 2), hash);
  }
  has(hash: Sha256): boolean {
    return existsSync(this.path(hash));
  }
  read(hash: Sha256): Buffer | null {
    try {
      return readFileSync(this.path(hash));
    } catch {
      return null;
    }
  }
  open(hash: Sha256): Readable | null {
    return this.has(hash) ? createReadStream(this.path(hash)) : null;
  }
  put(data: Buffer | string): Sha256 {
    const hash = digest(data);
    this.keep(data, hash);
    return hash;
  }

  /** As `put`, for bytes whose hash is known. */
  keep(data: Buffer | string, hash: Sha256): void {
    if (this.has(hash)) return;
    const file = this.freshName();
    writeFileSync(file, data);
    this.settle(file, hash);
  }

  /** A blob that arrives block by block; it appears only when it is whole. */
  begin(): { write(block: Buffer): void; done(hash: Sha256): void; abandon(): void } {
    const file = this.freshName();
    const fd = openSync(file, 'wx');
    return {
      write: (block) => void writeSync(fd, block),
      done: (hash) => {
        closeSync(fd);
        if (this.has(hash)) rmSync(file);
        else this.settle(file, hash);
      },
      abandon: () => {
        closeSync(fd);
        rmSync(file, { force: true });
      },
    };
  }

  private freshName(): string {
    return join(this.folder, 'new', `${process.pid}-${process.hrtime.bigint()}-${(this.counter += 1)}`);
  }
  private settle(file: string, hash: Sha256): void {
    mkdirSync(join(this.folder, hash.slice(0, 2)), { recursive: true });
    renameSync(file, this.path(hash));
  }

  /** Deletes every blob that is not named, and all that never became whole; returns how many. */
  sweep(named: ReadonlySet<string>): number {
    let gone = 0;
    for (const folder of readdirSync(this.folder)) {
      for (const name of readdirSync(join(this.folder, folder))) {
        if (folder !== 'new' && named.has(name)) continue;
        rmSync(join(this.folder, folder, name));
        gone += 1;
      }
    }
    return gone;
  }
}

import { append } from '@/core/collect';
import {
  closeSync,
  createReadStream,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import Database from 'better-sqlite3';
import { digest } from '@/core/refs/digest';
import type { Sha256 } from '@/core/refs/refs';
import { settleFile, writeAll } from '@/formats/archive/write-all';

/** A blob of up to this many bytes stands in the pack, a larger one is a file of its own. */
const packedLimit = 128 * 1024;
/**
 * The page of a new pack, in bytes: most texts fit into one. Rows in the order of writing, found by an index, and pages
 * of this size are written four times as fast as rows in the order of their hashes in pages of SQLite's own size.
 */
const packPage = 16 * 1024;
/** So much waits in memory before it is written in one transaction. */
const pendingLimit = 8 * 1024 ** 2;

/**
 * Bytes kept under their SHA-256: what is equal is kept once, and versions share what they have in common. Small blobs
 * stand in one SQLite file, written many at a time; large ones are files. Both are on the disk when `flush` returns, and
 * what is read is held against its hash. A blob may say which others it holds, so that what nothing uses is found
 * without opening anything.
 */
export class BlobStore {
  private readonly pack: Database.Database;
  private readonly pending = new Map<string, Buffer>();
  private readonly pendingHolds: { parent: string; child: string }[] = [];
  private pendingBytes = 0;
  private counter = 0;
  private readonly statements;

  constructor(private readonly folder: string) {
    mkdirSync(join(folder, 'new'), { recursive: true });
    this.pack = new Database(join(folder, 'pack.sqlite'), { timeout: 60_000 });
    // Counts for a new file only, and before its journal is chosen. Packs of the first form, in pages of 4 KiB and
    // ordered by hash, are read and written as they are.
    this.pack.pragma(`page_size = ${packPage}`);
    this.pack.pragma('journal_mode = WAL');
    this.pack.pragma('synchronous = FULL');
    this.pack.exec(
      'CREATE TABLE IF NOT EXISTS blobs (hash TEXT PRIMARY KEY, bytes BLOB NOT NULL);' +
        'CREATE TABLE IF NOT EXISTS holds (parent TEXT NOT NULL, child TEXT NOT NULL, PRIMARY KEY (parent, child)) WITHOUT ROWID;',
    );
    this.statements = {
      read: this.pack.prepare('SELECT bytes FROM blobs WHERE hash = ?').pluck(),
      has: this.pack.prepare('SELECT 1 FROM blobs WHERE hash = ?').pluck(),
      write: this.pack.prepare('INSERT OR IGNORE INTO blobs (hash, bytes) VALUES (?, ?)'),
      hold: this.pack.prepare('INSERT OR IGNORE INTO holds (parent, child) VALUES (?, ?)'),
    };
  }

  has(hash: Sha256): boolean {
    return this.pending.has(hash) || this.statements.has.get(hash) === 1 || existsSync(this.path(hash));
  }

  /** The bytes; null where they are not there or are not what they were. */
  read(hash: Sha256): Buffer | null {
    const bytes = this.pending.get(hash) ?? this.packed(hash) ?? this.filed(hash);
    return bytes !== null && digest(bytes) === hash ? bytes : null;
  }

  /** The bytes as a stream, which breaks off at its end where they are not what they were; null where they are not there. */
  open(hash: Sha256): Readable | null {
    const small = this.pending.get(hash) ?? this.packed(hash);
    if (small) return digest(small) === hash ? Readable.from([small]) : null;
    if (!existsSync(this.path(hash))) return null;
    return createReadStream(this.path(hash)).pipe(verifying(hash));
  }

  put(data: Buffer | string): Sha256 {
    const hash = digest(data);
    // A large one is no row; `keep` looks for its file.
    const isPacked = this.statements.has.get(hash) === 1;
    if (!isPacked) this.keep(data, hash);
    return hash;
  }

  /** As `put`, for bytes whose hash is known, and that are most likely new. */
  keep(data: Buffer | string, hash: Sha256): void {
    const bytes = Buffer.isBuffer(data) ? data : Buffer.from(data, 'utf8');
    if (bytes.length > packedLimit) {
      if (!existsSync(this.path(hash))) this.writeFile(bytes, hash);
    } else if (!this.pending.has(hash)) {
      // What is packed already is passed over when it is written; looking for it before would look twice for what is new.
      this.wait(bytes, hash);
    }
  }

  /** Says that a blob is of no use without others. */
  hold(parent: Sha256, children: Iterable<string>): void {
    for (const child of children) this.pendingHolds.push({ parent, child });
  }

  /** Has it been said what a blob is of no use without? */
  holdsAny(parent: Sha256): boolean {
    return this.pack.prepare('SELECT 1 FROM holds WHERE parent = ? LIMIT 1').pluck().get(parent) === 1;
  }

  /** A blob that arrives block by block; it appears only when it is whole. */
  begin(): { write(block: Buffer): void; done(hash: Sha256): void; abandon(): void } {
    let blocks: Buffer[] = [];
    let size = 0;
    let file: { name: string; fd: number } | null = null;
    return {
      write: (block) => {
        size += block.length;
        if (file) return writeAll(file.fd, block);
        blocks.push(Buffer.from(block));
        if (size <= packedLimit) return;
        const name = this.freshName();
        file = { name, fd: openSync(name, 'wx') };
        for (const early of blocks) writeAll(file.fd, early);
        blocks = [];
      },
      done: (hash) => {
        if (!file) return void this.keep(Buffer.concat(blocks), hash);
        try {
          settleFile(file.fd, size);
        } finally {
          closeSync(file.fd);
        }
        if (this.has(hash)) rmSync(file.name);
        else this.settle(file.name, hash);
      },
      abandon: () => {
        if (!file) return;
        closeSync(file.fd);
        rmSync(file.name, { force: true });
      },
    };
  }

  /** Brings everything that waits to the disk, in one transaction. */
  flush(): void {
    if (!this.pending.size && !this.pendingHolds.length) return;
    this.pack.transaction(() => {
      for (const [hash, bytes] of this.pending) this.statements.write.run(hash, bytes);
      for (const { parent, child } of this.pendingHolds) this.statements.hold.run(parent, child);
    })();
    this.pending.clear();
    this.pendingHolds.length = 0;
    this.pendingBytes = 0;
  }

  /**
   * Deletes every blob that no root holds, and all that never became whole; returns how many. Only while nothing else
   * writes: what is not named yet would go, too.
   */
  sweep(roots: Iterable<string>): number {
    this.flush();
    const used = reachedFrom(roots, this.childrenOf());
    const all = this.pack.prepare('SELECT hash FROM blobs').pluck().all() as string[];
    const gone = all.filter((hash) => !used.has(hash));
    const remove = this.pack.prepare('DELETE FROM blobs WHERE hash = ?');
    const release = this.pack.prepare('DELETE FROM holds WHERE parent = ?');
    this.pack.transaction(() => {
      for (const hash of gone) remove.run(hash);
      for (const parent of this.parents()) if (!used.has(parent)) release.run(parent);
    })();
    return gone.length + this.sweepFiles(used);
  }

  /**
   * Weighs blobs with all that they are of no use without: bytes by hash. What is not there counts as nothing. What many
   * of them hold is looked up once.
   */
  weigher(): (root: string) => ReadonlyMap<string, number> {
    this.flush();
    const size = this.pack.prepare('SELECT length(bytes) FROM blobs WHERE hash = ?').pluck();
    const known = new Map<string, number>();
    const children = this.childrenOf();
    const weigh = (hash: string): number => {
      const bytes = known.get(hash) ?? (size.get(hash) as number | undefined) ?? this.fileSize(hash);
      known.set(hash, bytes);
      return bytes;
    };
    return (root) => new Map([...reachedFrom([root], children)].map((hash) => [hash, weigh(hash)]));
  }

  /** Clears away what never became whole. Only while nothing writes, such as when the folder was just opened. */
  clearUnfinished(): void {
    const folder = join(this.folder, 'new');
    for (const name of readdirSync(folder)) rmSync(join(folder, name), { force: true });
  }

  /** Says of each blob whether its bytes are what they were; takes as long as reading all of them. */
  *verify(): Generator<{ readonly hash: string; readonly isSound: boolean }> {
    this.flush();
    for (const hash of this.list()) {
      const isSound = this.read(hash as Sha256) !== null;
      yield { hash, isSound };
    }
  }

  /** Every blob that a root needs, itself included, whether it is there or not. */
  neededBy(roots: Iterable<string>): ReadonlySet<string> {
    this.flush();
    return reachedFrom(roots, this.childrenOf());
  }

  /** Lets go of a blob whose bytes are damaged, so that the same bytes can be kept again; gives what was there. */
  letGo(hash: Sha256): Buffer | null {
    const bytes = this.packed(hash) ?? this.filed(hash);
    this.pack.prepare('DELETE FROM blobs WHERE hash = ?').run(hash);
    rmSync(this.path(hash), { force: true });
    return bytes;
  }

  /** Every blob that is kept, by hash: for tests and for telling how much there is. */
  list(): string[] {
    const files = this.folders().flatMap((name) => readdirSync(join(this.folder, name)));
    return [...(this.pack.prepare('SELECT hash FROM blobs').pluck().all() as string[]), ...files].sort();
  }

  close(): void {
    this.flush();
    this.pack.close();
  }

  private parents(): string[] {
    return this.pack.prepare('SELECT DISTINCT parent FROM holds').pluck().all() as string[];
  }

  /** What each blob holds; asked for once. */
  private childrenOf(): (hash: string) => readonly string[] {
    const children = this.pack.prepare('SELECT child FROM holds WHERE parent = ?').pluck();
    const known = new Map<string, readonly string[]>();
    return (hash) => {
      const held = known.get(hash) ?? (children.all(hash) as string[]);
      known.set(hash, held);
      return held;
    };
  }

  private sweepFiles(used: ReadonlySet<string>): number {
    let gone = 0;
    for (const folder of [...this.folders(), 'new'])
      for (const name of readdirSync(join(this.folder, folder))) {
        if (folder !== 'new' && used.has(name)) continue;
        rmSync(join(this.folder, folder, name));
        gone += 1;
      }
    return gone;
  }

  private folders(): string[] {
    return readdirSync(this.folder).filter((name) => /^[0-9a-f]{2}$/.test(name));
  }

  private packed(hash: string): Buffer | null {
    return (this.statements.read.get(hash) as Buffer | undefined) ?? null;
  }

  private fileSize(hash: string): number {
    return statSync(this.path(hash as Sha256), { throwIfNoEntry: false })?.size ?? 0;
  }

  private filed(hash: Sha256): Buffer | null {
    try {
      return readFileSync(this.path(hash));
    } catch {
      return null;
    }
  }

  private wait(bytes: Buffer, hash: Sha256): void {
    // A part of a larger buffer would keep all of it in memory.
    this.pending.set(hash, Buffer.from(bytes));
    this.pendingBytes += bytes.length;
    if (this.pendingBytes > pendingLimit) this.flush();
  }

  private writeFile(bytes: Buffer, hash: Sha256): void {
    const name = this.freshName();
    const fd = openSync(name, 'wx');
    try {
      writeAll(fd, bytes);
      settleFile(fd, bytes.length);
    } catch (error) {
      rmSync(name, { force: true });
      throw error;
    } finally {
      closeSync(fd);
    }
    this.settle(name, hash);
  }

  private path(hash: Sha256): string {
    return join(this.folder, hash.slice(0, 2), hash);
  }
  private freshName(): string {
    return join(this.folder, 'new', `${process.pid}-${process.hrtime.bigint()}-${(this.counter += 1)}`);
  }
  private settle(file: string, hash: Sha256): void {
    const folder = join(this.folder, hash.slice(0, 2));
    mkdirSync(folder, { recursive: true });
    renameSync(file, this.path(hash));
    const fd = openSync(folder, 'r');
    fsyncSync(fd);
    closeSync(fd);
  }
}

function reachedFrom(roots: Iterable<string>, childrenOf: (hash: string) => readonly string[]): Set<string> {
  const used = new Set<string>();
  const waiting = [...roots];
  for (let hash = waiting.pop(); hash !== undefined; hash = waiting.pop()) {
    if (used.has(hash)) continue;
    used.add(hash);
    append(waiting, childrenOf(hash));
  }
  return used;
}

/** Passes bytes through and breaks off at the end where they do not have the hash. */
function verifying(hash: Sha256): Transform {
  const sum = createHash('sha256');
  return new Transform({
    transform(block: Buffer, _, next) {
      sum.update(block);
      next(null, block);
    },
    flush(next) {
      next(sum.digest('hex') === hash ? null : new Error(`the bytes of ${hash} are damaged`));
    },
  });
}

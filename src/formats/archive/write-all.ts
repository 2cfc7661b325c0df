import { fstatSync, fsyncSync, writeSync } from 'node:fs';

/**
 * Writes all bytes to an open file. The system may take a part of them only, as on a disk that is full for a moment
 * (write(2), RETURN VALUE); the rest is written then, or that throws.
 */
export function writeAll(file: number, bytes: Uint8Array): void {
  for (let at = 0; at < bytes.length;) {
    const written = writeSync(file, bytes, at, bytes.length - at);
    if (written === 0) throw shortWrite();
    at += written;
  }
}

/** Brings a file to the disk and looks whether all of it is there. Throws as for a full disk where it is not. */
export function settleFile(file: number, bytes: number): void {
  fsyncSync(file);
  if (fstatSync(file).size !== bytes) throw shortWrite();
}

const shortWrite = (): Error =>
  Object.assign(new Error('a part of the file was not written'), { code: 'ENOSPC' });

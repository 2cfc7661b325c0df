import { closeSync, openSync, readSync } from 'node:fs';
import { Readable } from 'node:stream';
import yauzl from 'yauzl';

const windowBytes = 1024 ** 2;

/**
 * A file read through a window of one megabyte: a package has tens of thousands of small entries one behind the other,
 * and a call of the system for each costs more than the bytes. It is read at once, so nothing waits.
 */
export class FileWindow extends yauzl.RandomAccessReader {
  private readonly fd: number;
  private buffer: Buffer | null = null;
  private from = 0;
  private to = 0;

  /** Throws where the file can't be opened. */
  constructor(path: string) {
    super();
    this.fd = openSync(path, 'r');
  }

  /** Bytes of the file; fewer than `length` where it ends before. They hold until the next call. */
  bytes(position: number, length: number): Buffer {
    if (length > windowBytes) {
      const whole = Buffer.allocUnsafe(length);
      return whole.subarray(0, readSync(this.fd, whole, 0, length, position));
    }
    const window = (this.buffer ??= Buffer.allocUnsafeSlow(windowBytes));
    if (position < this.from || position + length > this.to) {
      this.from = position;
      this.to = position + readSync(this.fd, window, 0, windowBytes, position);
    }
    return window.subarray(position - this.from, Math.min(position + length, this.to) - this.from);
  }

  override read(
    buffer: Buffer,
    offset: number,
    length: number,
    position: number,
    callback: (error: Error | null, bytesRead: number) => void,
  ): void {
    let copied: number;
    try {
      copied = this.bytes(position, length).copy(buffer, offset);
    } catch (error) {
      return callback(error as Error, 0);
    }
    callback(null, copied);
  }

  override _readStreamForRange(start: number, end: number): Readable {
    return Readable.from([Buffer.from(this.bytes(start, end - start))]);
  }

  override close(callback: (error: Error | null) => void): void {
    closeSync(this.fd);
    callback(null);
  }
}

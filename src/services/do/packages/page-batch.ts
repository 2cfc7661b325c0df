import type { BodyReading } from '@/core/text/read-texts';

/** Pages for another thread to read: their bytes one behind the other, and where each ends. */
export interface PageBatch {
  readonly number: number;
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly ends: readonly number[];
}
/** What it read, in the same order. */
export interface PageAnswer {
  readonly number: number;
  readonly readings: readonly BodyReading[];
}
/** One flag for each batch, shared by the threads: whoever sets it reads the batch. */
export type Claims = Int32Array<SharedArrayBuffer>;
export const claim = (claims: Claims, batch: number): boolean =>
  Atomics.compareExchange(claims, batch, 0, 1) === 0;
/** More batches than a package of the largest size gives. */
export const mostBatches = 4096;

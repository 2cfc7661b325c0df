/** What a stranger's package may be at most. Sizes in bytes. */
export interface ArchiveLimits {
  readonly packedBytes: number;
  readonly unpackedBytes: number;
  readonly entries: number;
  /** Unpacked to packed size of one entry, from `ratioFrom` bytes on. */
  readonly ratio: number;
  readonly ratioFrom: number;
  /** Texts longer than this are carried through unread; so is what comes after this many bytes of text in all. */
  readonly textBytes: number;
  readonly allTextBytes: number;
  /** A longer manifest is refused. */
  readonly manifestBytes: number;
}

export const defaultLimits: ArchiveLimits = {
  packedBytes: 2 * 1024 ** 3,
  unpackedBytes: 8 * 1024 ** 3,
  entries: 200_000,
  ratio: 200,
  ratioFrom: 1024 ** 2,
  textBytes: 32 * 1024 ** 2,
  allTextBytes: 256 * 1024 ** 2,
  manifestBytes: 48 * 1024 ** 2,
};

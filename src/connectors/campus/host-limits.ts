/** What is read of a host at most; what says more is not believed. Bytes are counted after they are unpacked. */
export const hostLimits = {
  /** One answer that is no file. */
  answerBytes: 64 * 1024 ** 2,
  /** Who somebody is, or why something is refused. */
  shortAnswerBytes: 256 * 1024,
  /** One file: as large as a package may be. */
  fileBytes: 2 * 1024 ** 3,
  /** All files of a shell: as large as a package may unpack to. */
  allFileBytes: 8 * 1024 ** 3,
  /** Pages of one list. */
  pages: 10_000,
  /** All lists of one reading. */
  readingBytes: 1024 ** 3,
  /** One reading of a shell, in milliseconds. */
  readingTime: 60 * 60_000,
} as const;

/** An answer of a host was longer than is read. */
export class AnswerTooLong extends Error {
  constructor(readonly mostBytes: number) {
    super('the answer is too long');
  }
}

/** Reads a body to its end. Throws AnswerTooLong as soon as it is longer than `mostBytes`; the rest is not received. */
export async function readWithin(response: Response, mostBytes: number): Promise<Buffer> {
  const blocks: Uint8Array[] = [];
  let bytes = 0;
  for await (const block of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += block.length;
    if (bytes > mostBytes) throw new AnswerTooLong(mostBytes);
    blocks.push(block);
  }
  return Buffer.concat(blocks);
}

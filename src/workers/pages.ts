import { parentPort, workerData } from 'node:worker_threads';
import { readTexts } from '@/core/text/read-texts';
import { decodeText } from '@/formats/archive/decode-text';
import { claim, type Claims, type PageAnswer, type PageBatch } from '@/services/do/packages/page-batch';

/** A thread that reads the pages of a package while another unpacks it. */
const { claims } = workerData as { claims: Claims };

parentPort?.on('message', ({ number, bytes, ends }: PageBatch) => {
  if (!claim(claims, number)) return;
  const all = Buffer.from(bytes.buffer);
  const readings = ends.map((end, i) => readTexts([decodeText(all.subarray(ends[i - 1] ?? 0, end)).text]));
  parentPort?.postMessage({ number, readings } satisfies PageAnswer);
});

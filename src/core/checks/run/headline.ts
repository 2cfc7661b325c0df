import type { Batch } from './batches';

/** What is wrong, in plain words, made from the largest batches: never a label such as "Overview". */
export function headlineOf(batches: readonly Batch[]): string {
  // Batches come with what students notice first; the two that clean most of the most urgent kind say it.
  const largest = batches.filter((b) => b.family !== 'readiness').slice(0, 2);
  if (!largest.length)
    return batches.length
      ? 'It lies smooth; look at what is still missing'
      : 'Nothing stands out: it lies smooth';
  const parts = largest.map((b) => `${b.things} ${b.title}`);
  return parts.join(', and ');
}

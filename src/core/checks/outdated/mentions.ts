import { excerpt } from '@/core/text/normalise';
import type { Evidence, SubjectRef } from '@/core/checks/finding/finding';
import { passageLabels, sentenceOf, type Passage } from '@/core/checks/facts/passages';

/** What was found in one subject, in the order of its passages: one finding for each subject. */
export interface FoundIn<T> {
  readonly subject: SubjectRef;
  readonly title: string;
  readonly hits: {
    readonly passage: Passage;
    readonly start: number;
    readonly end: number;
    readonly says: T;
  }[];
}

/** Joins mentions by subject; the title that names a subject is the item's, or the file's path. */
export function bySubject<T>(hits: Iterable<FoundIn<T>['hits'][number]>): FoundIn<T>[] {
  const found = new Map<string, FoundIn<T>>();
  for (const hit of hits) {
    const { subject, item, file } = hit.passage;
    const key = `${subject.type} ${subject.ref}`;
    const known = found.get(key);
    if (known) known.hits.push(hit);
    else found.set(key, { subject, title: item?.title ?? file?.path ?? subject.ref, hits: [hit] });
  }
  return [...found.values()];
}

/** The sentence of a hit, marked by where it stands. */
export const sentenceEvidence = (hit: {
  readonly passage: Passage;
  readonly start: number;
  readonly end: number;
}): Evidence => ({
  label: passageLabels[hit.passage.where],
  value: excerpt(sentenceOf(hit.passage, hit.start, hit.end), 240),
  where: hit.passage.subject.ref,
});

/** What the digest of an error begins with where a sentence for the person follows. */
const faultMark = 'currycomb:';

/** What the framework hands on of an error to the page that shows it, where it hides everything else. */
export const digestOf = (sentence: string): string => `${faultMark}${sentence}`;

/** The sentence that a digest carries; null where it carries none. */
export const sentenceOfDigest = (digest: string | undefined): string | null =>
  digest?.startsWith(faultMark) ? digest.slice(faultMark.length) : null;

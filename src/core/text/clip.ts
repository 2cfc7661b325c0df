/** No title says more than this many characters; what is longer is a text, or an attack. */
export const longestTitle = 1_000;

/** A title, cut where it is longer than any title is. */
export const clipTitle = (title: string): string =>
  title.length > longestTitle ? `${title.slice(0, longestTitle)} …` : title;

/** The longest text of a stranger’s that is repeated in a sentence, in characters. */
const longestQuote = 200;

/** A text as a sentence repeats it: on one line, and no longer than that. */
export function cutQuote(text: string): string {
  const line = text.slice(0, longestQuote + 1).replace(/[\s\p{Cc}]+/gu, ' ');
  return text.length > longestQuote ? `${line.slice(0, longestQuote)}…` : line;
}

/** No title says more than this many characters; what is longer is a text, or an attack. */
export const longestTitle = 1_000;

/** A title, cut where it is longer than any title is. */
export const clipTitle = (title: string): string =>
  title.length > longestTitle ? `${title.slice(0, longestTitle)} …` : title;

/** The longest text of a stranger’s that is repeated in a sentence, in characters. */
const longestQuote = 200;

/** A text as a sentence repeats it. */
export const cutQuote = (text: string): string =>
  text.length > longestQuote ? `${text.slice(0, longestQuote)}…` : text;

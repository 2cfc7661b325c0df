/** No title says more than this many characters; what is longer is a text, or an attack. */
export const longestTitle = 1_000;

/** A title, cut where it is longer than any title is. */
export const clipTitle = (title: string): string =>
  title.length > longestTitle ? `${title.slice(0, longestTitle)} …` : title;

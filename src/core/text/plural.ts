/** A whole number as people write it: 12,345. */
const spelled = (n: number): string =>
  Number.isInteger(n) && n >= 0 && n < 1000 ? String(n) : n.toLocaleString('en');

/** A count with its word: `1 link`, `2 links`. */
export const plural = (n: number, one: string, many = `${one}s`): string =>
  `${spelled(n)} ${n === 1 ? one : many}`;

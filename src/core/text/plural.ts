/** A count with its word: `1 link`, `2 links`. */
export const plural = (n: number, one: string, many = `${one}s`): string => `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

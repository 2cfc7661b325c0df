/** A whole number as people read it: 1,204. */
export const plainNumber = (n: number): string => n.toLocaleString('en');

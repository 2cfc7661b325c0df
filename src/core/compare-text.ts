/** A total order of texts by their code units, the same everywhere: never by locale. */
export function compareText(a: string, b: string): number {
  if (a === b) return 0;
  return a < b ? -1 : 1;
}

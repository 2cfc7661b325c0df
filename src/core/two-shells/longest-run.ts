/**
 * The places of a longest increasing part of a list of numbers, in order: what did not change its order. By patience
 * sorting, n log n (Fredman 1975; from memory).
 */
export function longestRun(numbers: readonly number[]): ReadonlySet<number> {
  /** For each length, the place of the smallest number that ends a run of it. */
  const ends: number[] = [];
  const before: number[] = [];
  numbers.forEach((number, place) => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((numbers[ends[middle] ?? 0] ?? 0) < number) low = middle + 1;
      else high = middle;
    }
    before[place] = low === 0 ? -1 : (ends[low - 1] ?? -1);
    ends[low] = place;
  });
  const run = new Set<number>();
  for (let place = ends.at(-1) ?? -1; place >= 0; place = before[place] ?? -1) run.add(place);
  return run;
}

/** Appends a value to the list that a map holds under a key. In place: lists of one key may grow long. */
export function collect<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}

/** Puts values behind a list, however many: a call takes some ten thousand arguments at most. */
export function append<T>(list: T[], more: Iterable<T>): void {
  for (const value of more) list.push(value);
}

/** The largest of a list's numbers; -Infinity where it has none. */
export function largest(numbers: Iterable<number>): number {
  let most = -Infinity;
  for (const n of numbers) if (n > most) most = n;
  return most;
}

/** The smallest of a list's numbers; Infinity where it has none. */
export function smallest(numbers: Iterable<number>): number {
  let least = Infinity;
  for (const n of numbers) if (n < least) least = n;
  return least;
}

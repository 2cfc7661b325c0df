/** The element of a list at a place where there is one. Throws where there is none: then the code is wrong, not the data. */
export function elementAt<T>(list: readonly T[], place: number): T {
  const element = list.at(place);
  if (element === undefined) throw new RangeError(`nothing stands at place ${place} of ${list.length}`);
  return element;
}

/** The value that a map has for a key. Throws where it has none: then the code is wrong, not the data. */
export function valueFor<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const value = map.get(key);
  if (value === undefined) throw new RangeError(`the map of ${map.size} knows no ${String(key)}`);
  return value;
}

/** The first element that is wanted, of a list that has one. Throws where it has none: then the code is wrong, not the data. */
export function firstWhere<T>(list: readonly T[], isWanted: (element: T) => boolean): T {
  const element = list.find(isWanted);
  if (element === undefined) throw new RangeError(`none of ${list.length} is the one`);
  return element;
}

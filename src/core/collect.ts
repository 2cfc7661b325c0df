/** Appends a value to the list that a map holds under a key. In place: lists of one key may grow long. */
export function collect<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}

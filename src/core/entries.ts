/**
 * What an object holds under a name that may be any text; undefined where it does not hold it itself. `constructor` and
 * `__proto__` are in every plain object, and a ref or a title may be called so.
 */
export function entryOf<V>(
  record: Readonly<Record<string, V>> | null | undefined,
  name: string,
): V | undefined {
  return record && Object.hasOwn(record, name) ? record[name] : undefined;
}

/** Puts a value under a name that may be any text: assigning to `__proto__` would change what the object is. */
export function putEntry<V>(record: Record<string, V>, name: string, value: V): void {
  // Defining is ten times as slow as assigning, and a table has millions of cells.
  if (name === '__proto__')
    Object.defineProperty(record, name, { value, enumerable: true, configurable: true, writable: true });
  else record[name] = value;
}

/** What an object holds under a ref, as the object that sets it: `{ title }`; null where it holds nothing. */
export function givenFor<Name extends string, V>(
  name: Name,
  record: Readonly<Record<string, V>>,
  ref: string,
): Readonly<Record<Name, V>> | null {
  const value = entryOf(record, ref);
  return value === undefined ? null : ({ [name]: value } as Record<Name, V>);
}

/** The list that an object holds under a name, to be added to; it is made where there is none. */
export function listUnder<V>(record: Record<string, V[]>, name: string): V[] {
  const list = entryOf(record, name) ?? [];
  putEntry(record, name, list);
  return list;
}

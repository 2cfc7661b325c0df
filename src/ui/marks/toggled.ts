/** A choice with some values let go where it holds all of them, and taken in where it does not. */
export function toggled<T>(chosen: ReadonlySet<T>, values: readonly T[]): ReadonlySet<T> {
  const next = new Set(chosen);
  const isWhole = values.every((value) => chosen.has(value));
  for (const value of values)
    if (isWhole) next.delete(value);
    else next.add(value);
  return next;
}

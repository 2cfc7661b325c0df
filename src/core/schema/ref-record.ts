import { z } from 'zod';

/** Stands for `__proto__` while an object is held against a schema: Zod leaves that name out without a word. */
const standIn = '\u0000__proto__';

const renamed = (value: unknown, from: string, to: string): unknown => {
  if (typeof value !== 'object' || value === null || !Object.hasOwn(value, from)) return value;
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name === from ? to : name, one]));
};

/** A schema of objects whose names are refs: any text, `__proto__` too. */
export const refRecord = <Value extends z.ZodType>(value: Value) =>
  z.preprocess(
    (input) => renamed(input, '__proto__', standIn),
    z
      .record(z.string(), value)
      .transform((record) => renamed(record, standIn, '__proto__') as Record<string, z.output<Value>>),
  );

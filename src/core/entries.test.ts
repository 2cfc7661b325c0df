import { z } from 'zod';
import { entryOf, putEntry } from './entries';
import { refRecord } from '@/core/schema/ref-record';

test.each(['constructor', 'toString', '__proto__', 'hasOwnProperty'])(
  '%s is no entry until it is put in',
  (name) => {
    const record: Record<string, string> = {};
    expect(entryOf(record, name)).toBeUndefined();
    putEntry(record, name, 'mine');
    expect(entryOf(record, name)).toBe('mine');
    expect(Object.keys(record)).toEqual([name]);
    expect(Object.getPrototypeOf(record)).toBe(Object.prototype);
  },
);

test('nothing has no entries', () => expect(entryOf(null, 'a')).toBeUndefined());

test('a record of refs keeps every name, and holds each value against its schema', () => {
  const schema = refRecord(z.number());
  const read = schema.parse(JSON.parse('{"__proto__": 1, "constructor": 2, "a": 3}'));
  expect(Object.entries(read)).toEqual([
    ['__proto__', 1],
    ['constructor', 2],
    ['a', 3],
  ]);
  expect(schema.safeParse(JSON.parse('{"__proto__": "x"}')).success).toBe(false);
  expect(schema.safeParse([1]).success).toBe(false);
});

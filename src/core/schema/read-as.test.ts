import { z } from 'zod';
import { readAs, sayMisfit } from './read-as';

const schema = z.strictObject({
  title: z.string().max(5),
  points: z.number().min(0),
  kind: z.enum(['page', 'file']),
  tag: z.literal('plan/1'),
  day: z.string().regex(/^\d{4}$/),
  targets: z.array(z.string()).min(1),
  own: z.string('choose a file').optional(),
});
const valid = { title: 'Page', points: 1, kind: 'page', tag: 'plan/1', day: '2027', targets: ['a'] };

test.each<[object, string]>([
  [{ title: undefined }, 'title: text is missing here'],
  [{ title: 7 }, 'title: this must be text'],
  [{ title: 'Longer' }, 'title: this must be at most 5 characters'],
  [{ points: -1 }, 'points: this must be at least 0'],
  [{ kind: 'movie' }, 'kind: this must be one of page, file'],
  [{ tag: 'plan/2' }, 'tag: this must be “plan/1”'],
  [{ day: 'Monday' }, 'day: this is not written as it must be'],
  [{ targets: [] }, 'targets: this must be at least 1 entries'],
  [{ targets: ['a', null] }, 'targets.1: this must be text'],
  [{ more: 1 }, '“more” is not known here'],
  [{ own: 3 }, 'own: choose a file'],
])('%j is told as “%s”', (change, words) => {
  const read = readAs(schema, { ...valid, ...change });
  expect(read.ok ? 'read' : sayMisfit(read.misfit)).toBe(words);
});

test('what fits is given as the schema makes it', () => {
  expect(readAs(z.string().default('x'), undefined)).toEqual({ ok: true, value: 'x' });
  expect(readAs(z.string(), undefined)).toEqual({
    ok: false,
    misfit: { place: '', words: 'text is missing here' },
  });
});

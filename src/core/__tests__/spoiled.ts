import * as fc from 'fast-check';

// Documents that somebody spoiled on purpose or by accident: what is valid, with a few places exchanged.

/** Words that programs stumble over: names that every object has, paths that lead outside, days and numbers that are none. */
export const strangeWords = [
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  '',
  ' ',
  '../../../../tmp/evil.html',
  '/etc/evil',
  '..\\..\\evil',
  'C:\\evil',
  'a\u0000b',
  '\ud800',
  '\u202egnp.exe',
  '9999-12-31',
  '0000-00-00',
  '2027-02-30T25:61',
  '-271821-04-20T00:00:00Z',
  '1e999',
  'NaN',
  '=cmd|calc!A0',
  '<script>alert(1)</script>',
  '(a+)+$',
  'javascript:alert(1)',
];

/** Arrays in arrays, as deep as `depth`. */
function nested(depth: number): unknown {
  let inner: unknown = 'x';
  for (let level = 0; level < depth; level += 1) inner = [inner];
  return inner;
}

const strangeValue: fc.Arbitrary<unknown> = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom(...strangeWords) },
  {
    weight: 4,
    arbitrary: fc.constantFrom<unknown>(null, true, false, -1, 0, 1.5, 1e308, -1e308, 2 ** 53, [], {}),
  },
  { weight: 2, arbitrary: fc.jsonValue({ maxDepth: 3 }) },
  { weight: 1, arbitrary: fc.nat(50_000).map((length) => 'x'.repeat(length)) },
  { weight: 1, arbitrary: fc.nat(300).map(nested) },
);

/** One place of a document: what it is in, and under which key. */
interface Place {
  readonly holder: Record<string, unknown> | unknown[];
  readonly key: string;
}

function placesIn(value: unknown, places: Place[] = []): Place[] {
  if (typeof value !== 'object' || value === null) return places;
  const holder = value as Place['holder'];
  for (const key of Object.keys(holder)) {
    places.push({ holder, key });
    placesIn((holder as Record<string, unknown>)[key], places);
  }
  return places;
}

function setAt({ holder, key }: Place, value: unknown): void {
  // As JSON.parse does: a key called __proto__ is one like any other.
  Object.defineProperty(holder, key, { value, writable: true, enumerable: true, configurable: true });
}

const spoiling = fc.record({
  how: fc.constantFrom('exchange', 'remove', 'take from elsewhere', 'rename'),
  at: fc.nat(),
  from: fc.nat(),
  value: strangeValue,
  word: fc.constantFrom(...strangeWords),
});
type Spoiling = typeof spoiling extends fc.Arbitrary<infer T> ? T : never;

function spoil(document: unknown, { how, at, from, value, word }: Spoiling): void {
  const places = placesIn(document);
  const place = places[at % Math.max(1, places.length)];
  if (!place) return;
  const present = (place.holder as Record<string, unknown>)[place.key];
  switch (how) {
    case 'exchange':
      setAt(place, value);
      return;
    case 'remove':
      if (Array.isArray(place.holder)) place.holder.splice(Number(place.key), 1);
      else delete place.holder[place.key];
      return;
    case 'take from elsewhere': {
      const other = places[from % places.length];
      const taken = other ? (other.holder as Record<string, unknown>)[other.key] : null;
      setAt(place, structuredClone(taken));
      return;
    }
    case 'rename':
      if (Array.isArray(place.holder)) place.holder.push(present);
      else setAt({ holder: place.holder, key: word }, present);
      return;
  }
}

/** A JSON document, of which one to four places are spoiled. */
export const spoiledDocument = (valid: unknown): fc.Arbitrary<unknown> =>
  // Mostly one alone: of several the first that is refused hides what the others do.
  fc
    .oneof(
      { weight: 3, arbitrary: fc.tuple(spoiling) },
      { weight: 1, arbitrary: fc.array(spoiling, { minLength: 2, maxLength: 4 }) },
    )
    .map((spoilings) => {
      const document: unknown = structuredClone(valid);
      for (const one of spoilings) spoil(document, one);
      return document;
    });

const cut = fc.record({
  /** Where, in ten thousandths of the text. */
  at: fc.integer({ min: 0, max: 10_000 }),
  length: fc.oneof(fc.nat(3), fc.nat(60)),
  put: fc.oneof(
    fc.constantFrom(...strangeWords, '"', '<', '>', ',', '\n', '</script>', '\ufeff', '&#0;', '{', ']'),
    fc
      .record({ word: fc.constantFrom('"', '<', ',', '[', ' ', 'a'), times: fc.nat(20_000) })
      .map(({ word, times }) => word.repeat(times)),
  ),
});

/** A text, in which one to three stretches are cut out or have something else in their place. */
export const spoiledText = (valid: string): fc.Arbitrary<string> =>
  fc.array(cut, { minLength: 1, maxLength: 3 }).map((cuts) =>
    cuts.reduce((text, { at, length, put }) => {
      const from = Math.floor((at * text.length) / 10_000);
      return text.slice(0, from) + put + text.slice(from + length);
    }, valid),
  );

/** A JSON document as text: spoiled as a document, as a text, or both. */
export const spoiledJson = (valid: unknown): fc.Arbitrary<string> =>
  fc.oneof(
    { weight: 5, arbitrary: spoiledDocument(valid).map((document) => JSON.stringify(document)) },
    { weight: 1, arbitrary: spoiledText(JSON.stringify(valid)) },
  );

import fc from 'fast-check';
import { candidatePairs, chanceOfMeeting, estimate, minHash, signatureOf } from './min-hash';
import { nearPairs, nearPairsExhaustively, rowsFor } from './near-pairs';
import { jaccard, shingleSet, wordCodes } from './shingles';

// Leskovec, Rajaraman and Ullman, Mining of Massive Datasets, chapter 3; figures as printed there.
describe('the worked examples of Mining of Massive Datasets, chapter 3', () => {
  test('Jaccard similarity, example 3.1: three of eight', () => {
    expect(jaccard(new Set([1, 2, 3, 4, 5]), new Set([3, 4, 5, 6, 7, 8]))).toBe(3 / 8);
  });
  test('minhash signatures, example 3.8: rows 0 to 4, h1 = x + 1 and h2 = 3x + 1 modulo 5', () => {
    const columns = [[0, 3], [2], [1, 3, 4], [0, 2, 3]];
    const hashes = [(x: number) => (x + 1) % 5, (x: number) => (3 * x + 1) % 5];
    expect(columns.map((c) => minHash(c, hashes))).toEqual([
      [1, 0],
      [3, 2],
      [0, 0],
      [1, 0],
    ]);
  });
  test.each([
    [0.2, 0.006],
    [0.3, 0.047],
    [0.4, 0.186],
    [0.5, 0.47],
    [0.6, 0.802],
    [0.7, 0.975],
    [0.8, 0.9996],
  ])('the S-curve for b = 20 and r = 5 at %d', (s, p) => {
    const digits = p > 0.999 ? 4 : 3;
    expect(Number(chanceOfMeeting(s, 20, 5).toFixed(digits))).toBe(p);
  });
});

const random = (seed: number) => () => (seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;

test('estimates stay within the binomial error for 100 places', () => {
  const next = random(7);
  for (const target of [0.3, 0.5, 0.7, 0.9]) {
    const estimates: number[] = [];
    let truth = 0;
    for (let round = 0; round < 60; round += 1) {
      const shared = Array.from({ length: Math.round(400 * target) }, () => Math.floor(next() * 2 ** 50));
      const unshared = (n: number) => Array.from({ length: n }, () => Math.floor(next() * 2 ** 50));
      const rest = Math.round((400 - shared.length) / 2);
      const [a, b] = [new Set([...shared, ...unshared(rest)]), new Set([...shared, ...unshared(rest)])];
      truth += jaccard(a, b) / 60;
      estimates.push(estimate(signatureOf(a, 100), signatureOf(b, 100)));
    }
    const mean = estimates.reduce((x, y) => x + y, 0) / estimates.length;
    // The mean of 60 rounds: four standard errors of the binomial distribution.
    expect(Math.abs(mean - truth)).toBeLessThan((4 * Math.sqrt((truth * (1 - truth)) / 100)) / Math.sqrt(60));
    const spread = Math.sqrt(estimates.reduce((x, y) => x + (y - mean) ** 2, 0) / estimates.length);
    expect(spread).toBeLessThan(1.6 * Math.sqrt((truth * (1 - truth)) / 100));
  }
});

test('equal sets have equal signatures, an empty set meets nothing but another empty one', () => {
  const set = new Set([5, 6, 7]);
  expect(estimate(signatureOf(set, 100), signatureOf(new Set([7, 6, 5]), 100))).toBe(1);
  expect(estimate(signatureOf(set, 100), signatureOf(new Set(), 100))).toBe(0);
});

test('every pair of a small bucket is proposed once', () => {
  const same = Uint32Array.from({ length: 100 }, (_, i) => i);
  expect([...candidatePairs([same, same, same], 25, 4)].map(([a, p]) => [a, [...p]])).toEqual([
    [0, [1, 2]],
    [1, [2]],
  ]);
});

test('words are runs of letters and digits, whatever the script and case', () => {
  expect([...wordCodes('Read THE gauge-board: 2 m')]).toEqual([...wordCodes('read the GAUGE board 2, m')]);
  expect([...wordCodes('Ｇauge Ölberg')]).toEqual([...wordCodes('gauge ölberg')]);
  expect(wordCodes('…—!').length).toBe(0);
  expect(shingleSet(wordCodes('a b c d e'), 4).size).toBe(2);
  expect(shingleSet(wordCodes('a b c'), 4).size).toBe(0);
});

test.each([0.3, 0.45, 0.5, 0.6, 0.65, 0.7, 0.8, 0.95])(
  'bands are as long as a threshold of %d allows',
  (threshold) => {
    const rows = rowsFor(threshold);
    expect(chanceOfMeeting(threshold, Math.floor(100 / rows), rows)).toBeGreaterThanOrEqual(0.995);
    if (rows < 4)
      expect(chanceOfMeeting(threshold, Math.floor(100 / (rows + 1)), rows + 1)).toBeLessThan(0.995);
  },
);

test('with a loose threshold pairs just above it are found as well', () => {
  const next = random(11);
  const word = () => `word${Math.floor(next() * 5000)}`;
  const texts: string[] = [];
  for (let pair = 0; pair < 60; pair += 1) {
    const base = Array.from({ length: 120 }, word);
    texts.push(base.join(' '), [...base.slice(0, 84), ...Array.from({ length: 36 }, word)].join(' '));
  }
  const wanted = nearPairsExhaustively(texts, 0.5);
  expect(wanted.length).toBe(60);
  expect(nearPairs(texts, 0.5)).toEqual(wanted);
});

test('against exhaustive comparison: no pair at 0.75 or more is missed, and none is invented (property)', () => {
  let wanted = 0;
  let found = 0;
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1_000_000 }), (seed) => {
      const next = random(seed);
      const vocabulary = Array.from({ length: 300 }, (_, i) => `word${i}`);
      const pick = () => vocabulary[Math.floor(next() * 300)]!;
      const base = Array.from({ length: 8 }, () =>
        Array.from({ length: 40 + Math.floor(next() * 200) }, pick),
      );
      const texts = base
        .flatMap((words) => [
          words,
          ...[1, 2, 4, 8].map((n) => words.map((w, i) => (next() < n / words.length && i > 0 ? pick() : w))),
        ])
        .map((w) => w.join(' '));
      const exact = nearPairsExhaustively(texts, 0.7);
      const quick = new Map(nearPairs(texts, 0.7).map((p) => [`${p.a} ${p.b}`, p.similarity]));
      const truth = new Map(exact.map((p) => [`${p.a} ${p.b}`, p.similarity]));
      for (const [pair, similarity] of quick) expect(truth.get(pair)).toBe(similarity);
      for (const [pair, similarity] of truth)
        if (similarity >= 0.75) {
          wanted += 1;
          if (quick.has(pair)) found += 1;
        }
    }),
    { numRuns: 60, seed: 11 },
  );
  expect(wanted).toBeGreaterThan(500);
  expect(found / wanted).toBeGreaterThanOrEqual(0.99);
});

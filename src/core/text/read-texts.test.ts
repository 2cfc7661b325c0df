import fc from 'fast-check';
import { digest } from '@/core/refs/digest';
import { english } from './english';
import { mentionCues, mentionsIn } from './mentions';
import { textDigest, textKey } from './normalise';
import { readTexts } from './read-texts';
import { scanHtml } from './scan-html';
import { Cues, readWords, wordCodes } from './shingles';

const everyCue = 0xff;

describe('cues', () => {
  // Whatever a pattern finds with all cues set, it is tried with the cues of the text itself.
  const pieces = [
    'lorem ipsum',
    '[insert name]',
    '[ please add a date ]',
    '<enter title>',
    'your name here',
    'your email address goes here',
    'TBA',
    'click to add text',
    'Click here to edit',
    'replace this paragraph',
    'DELETE THIS TEXT',
    'placeholder text',
    'text goes here',
    'add your content here',
    'insert text here',
    'XX/XX/XXXX',
    'x.x',
    'Spring 2025',
    'spring2025',
    'Fall ’24',
    'Semester 1, 2025',
    'term2 of 2026',
    '2023-24',
    '1999–2000',
    'AY2024/25',
    '2025 Winter',
    'Oct. 14th',
    '14 October 2025',
    'MAY 3',
    '2025-10-14',
    '14/10/2025',
    '3.4.2026',
    'in the field',
    'we',
    'a',
    '—',
    '\n',
    ' ',
    '_',
    '(',
    ')',
    '’',
  ];
  test('no mention is missed for want of a cue (property)', () => {
    let found = 0;
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 9 }),
        fc.constantFrom(' ', '_', '\n', '\u00a0', '/'),
        (parts, between) => {
          const text = parts.join(between);
          const all = mentionsIn(text, [], everyCue);
          found += all.dates.length + all.terms.length + all.placeholders.length;
          expect(mentionsIn(text, [], readWords(text, mentionCues).cues)).toEqual(all);
        },
      ),
      { numRuns: 4000, seed: 7 },
    );
    expect(found).toBeGreaterThan(2000);
  });
  test.each(pieces.slice(0, 17))('%j is found as meant for the teacher', (piece) => {
    expect(mentionsIn(piece, [], readWords(piece, mentionCues).cues).placeholders).toHaveLength(1);
  });
  test('a text without any of them has none', () => {
    expect(readWords('We walk up the river and look at stones.', mentionCues).cues).toBe(0);
  });
  test('words count with digits behind them and without regard to case; characters by themselves', () => {
    const cues = new Cues().markWords(['gauge', 'weir'], 1).markWords(['ford'], 2).markChars('#', 4);
    expect(
      ['A GAUGE', 'weir7', 'ford', 'fords', 'a # b', 'Ｗeir'].map((t) => readWords(t, cues).cues),
    ).toEqual([1, 1, 2, 0, 4, 1]);
  });
});

test('a reading is what scanning says, without the words', () => {
  const html =
    '<html><head><title>T</title></head><body><h1>HYD 214 Lab</h1><p>Due Spring 2025 <a href="a.html">x</a></p></body></html>';
  const { text, ...markup } = scanHtml(html);
  const { texts, wording } = readTexts([html]);
  expect(texts[0]!.markup).toEqual(markup);
  expect(texts[0]!.mentions).toMatchObject({
    terms: [{ says: 'Spring 2025' }],
    courses: [{ letters: 'HYD', digits: '214' }],
    dates: [],
    placeholders: [],
  });
  expect([texts[0]!.blank, wording.words]).toEqual([false, wordCodes(text).length]);
  expect(readTexts(['<p> \u00a0</p>'])).toMatchObject({
    texts: [{ blank: true }],
    wording: { words: 0, digest: null },
  });
});

test('the wording of several texts is that of all of them together', () => {
  const parts = ['Read the gauge', 'at the weir', 'every morning'];
  const together = readTexts([`<p>${parts.join('</p><p>')}</p>`]).wording;
  expect(readTexts(parts.map((p) => `<p>${p}</p>`)).wording).toEqual(together);
});

test('a course code in the first heading only, and only as a word', () => {
  const codes = (html: string) =>
    readTexts([html]).texts[0]!.mentions.courses.map((c) => `${c.letters} ${c.digits}`);
  expect(codes('<h2>GEO-130 and xGEO131, GEO1320001</h2><p>BIO 210</p><h2>CHE 101</h2>')).toEqual([
    'GEO 130',
  ]);
  expect(codes('<p>BIO 210</p>')).toEqual([]);
});

test('every cue of the language is one word', () => {
  const { words, pairs } = english.placeholderCues;
  for (const word of [...words, ...pairs.flat(2)]) expect([word, wordCodes(word).length]).toEqual([word, 1]);
});

// Letters of several scripts, compatible forms, white space of every kind, and what is neither; no halves of pairs.
const anyText = fc
  .array(
    fc.oneof(
      fc.constantFrom(...'aZ09 \t\n\r\f\v.,-_ß\u00a0\u200b\u2003\ufeffÉéＡａﬁΣσςЖж½中あ’“'),
      fc.string({ minLength: 1, maxLength: 3 }),
    ),
    { maxLength: 60 },
  )
  .map((parts) => parts.join('').replace(/[\ud800-\udfff]/g, ''));

test('the digest of a text is that of its key, whichever way it is worked out (property)', () => {
  fc.assert(
    fc.property(anyText, (text) =>
      expect(textDigest(text)).toBe(textKey(text) === '' ? null : digest(textKey(text))),
    ),
    { numRuns: 3000, seed: 9 },
  );
});

test('words are what Unicode’s classes of letters and numbers make them (property; the reference is the engine’s own \\p{L} and \\p{N})', () => {
  fc.assert(
    fc.property(anyText, (text) => {
      const wanted = text.normalize('NFKC').match(/[\p{L}\p{N}]+/gu) ?? [];
      expect(wordCodes(text).length).toBe(wanted.length);
      expect([...wordCodes(text)]).toEqual([...wordCodes(wanted.join(' '))]);
    }),
    { numRuns: 3000, seed: 10 },
  );
});

import type { LocalDate } from '@/core/dates/local-date';
import { webAddressKey } from '@/core/links/web-address';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';

// The same thing written in other ways: wide letters and figures (Unicode Standard Annex 15, NFKC), days in every order,
// marks joined to figures, and ways over several pages. Each is found by its check, and by no other.
const filler =
  'The stream gauge is read every morning before the class begins and written down in the field book by the group that is on duty. ';

function checksOf(build: (composer: ShellComposer) => void): string[] {
  const composer = new ShellComposer();
  composer.page('Syllabus', `<p>Syllabus. ${filler}</p>`);
  build(composer);
  const term = { title: '', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };
  const about = { code: 'HYD 214', title: 'HYD 214', term, asOf: '2027-01-04' as LocalDate };
  const { findings } = runChecks({ ...composer.shell(), ...about }, { checks: allChecks });
  return [...new Set(findings.map(({ check }) => check as string))].sort();
}
const page = (title: string, text = filler) => checksOf((c) => void c.page(title, `<p>${text}</p>`));

test.each([
  'The report is due 12 October 2025.',
  'Submit by 12.10.2025 at noon.',
  'Due 13/10/2025.',
  'Due 10/13/2025',
  'Due: 12-Oct-2025',
  'Due Oct-12-2025',
  'Due 10-13-2025',
  '13-10-2025 is the deadline',
  'Opens on the 12th October 2025',
])('“%s” names a day outside the term', (sentence) =>
  expect(page('Report', `${filler}</p><p>${sentence}`)).toEqual(['outdated.text-date-outside-term']),
);

test.each(['Call 10-13-25 now, due soon', 'Due May-2027, in the last week'])(
  '“%s” names no day',
  (sentence) => expect(page('Report', `${filler}</p><p>${sentence}`)).toEqual([]),
);

test.each([
  ['Handbook (2023-24)', 'outdated.past-term-mention'],
  ['Handbook 2023–24', 'outdated.past-term-mention'],
  ['Plan Ｆａｌｌ ２０２４', 'outdated.past-term-mention'],
  ['Ｕｎｔｉｔｌｅｄ', 'outdated.placeholder-text'],
  ['Ａｎｓｗｅｒ ｋｅｙ', 'visibility.exposed-key'],
  ['Quiz 1 ＡＫ', 'visibility.exposed-key'],
  ['Quiz-AK', 'visibility.exposed-key'],
  ['Quiz AK2', 'visibility.exposed-key'],
  ['Quiz1AK', 'visibility.exposed-key'],
])('the title “%s” is found by %s', (title, check) => expect(page(title)).toEqual([check]));

test.each(['Breaking news', 'The KEYSTONE bridge', 'Lakes', 'Ｌａｋｅｓ'])(
  'the title “%s” is found by none',
  (title) => expect(page(title)).toEqual([]),
);

test('a copy mark in wide letters is one', () => {
  const found = checksOf((c) => {
    c.page('Gauges', `<p>first ${filler}</p>`);
    c.page(
      'Ｃｏｐｙ ｏｆ Gauges',
      '<p>Quite other words, none of which the first one has, go on to the end here.</p>',
    );
  });
  expect(found).toEqual(['duplicate.copy-title']);
});

describe('an answer key is reached', () => {
  const chain = (c: ShellComposer, length: number, last: string, hidden = -1) => {
    for (let n = 0; n < length; n += 1) {
      const next = n === length - 1 ? last : `page${n + 1}.html`;
      const text = `<p>Part ${'abcdefgh'.charAt(n)} ${filler}<a href="${next}">on</a></p>`;
      c.page(`Part ${n}`, text, {
        ref: `p${n}`,
        path: `page${n}.html`,
        outside: n > 0,
        ...(n === hidden ? { shown: false } : {}),
      });
    }
  };
  test.each([1, 2, 3, 4])('as a file, over %d pages', (length) => {
    const found = checksOf((c) => {
      chain(c, length, 'answer-key.pdf');
      c.file('answer-key.pdf', 'x');
    });
    expect(found).toContain('visibility.exposed-key');
  });
  test('as a page outside the outline', () => {
    const found = checksOf((c) => {
      chain(c, 2, 'key.html');
      c.page('Answer key', `<p>Key ${filler}</p>`, { path: 'key.html', outside: true });
    });
    expect(found).toContain('visibility.exposed-key');
  });
  test('from a page of its own, too, where a hidden page comes first', () => {
    const found = checksOf((c) => {
      c.page('Drafts', `<p>Drafts ${filler}<a href="answer-key.pdf">on</a></p>`, { shown: false });
      chain(c, 2, 'answer-key.pdf');
      c.file('answer-key.pdf', 'x');
    });
    expect(found).toContain('visibility.exposed-key');
  });
  test('but not over a page that is hidden', () => {
    const found = checksOf((c) => {
      chain(c, 3, 'answer-key.pdf', 1);
      c.file('answer-key.pdf', 'x');
    });
    expect(found).not.toContain('visibility.exposed-key');
  });
});

test('a port that is the default of the other scheme tells two addresses apart', () => {
  expect(webAddressKey('http://x.example:443/a')).not.toBe(webAddressKey('https://x.example/a'));
  expect(webAddressKey('https://x.example:80/a')).not.toBe(webAddressKey('http://x.example/a'));
  expect(webAddressKey('http://x.example:80/a')).toBe(webAddressKey('https://x.example:443/a'));
});

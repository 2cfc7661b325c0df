import { parse } from 'csv-parse/sync';
import { parse as parseHtml } from 'parse5';
import type { QuestionSheet } from '@/core/questions/question';
import { readAnswers } from './read-answers';
import { sheetCsv, sheetColumns } from './sheet-csv';
import { sheetHtml } from './sheet-html';

const sheet: QuestionSheet = {
  shell: 'HYD 214 Stream Ecology',
  term: 'Spring 2027',
  made: '4 January 2027',
  questions: [
    {
      id: 'q1',
      asks: 'Do you still use these 3 pages?',
      proposal: 'Delete 3',
      things: ['“A <b>bold</b> title” (Week 1)', '=SUM(A1)'],
      findings: ['0123456789ab', 'ba9876543210'],
    },
    {
      id: 'q2',
      asks: 'Who is this for? </script><script>alert(1)</script>',
      proposal: null,
      things: ['B'],
      findings: ['aaaaaaaaaaaa'],
    },
  ],
};

/** The page as a browser hands it out after these answers: only its data element is another one. */
const answered = (...given: readonly (string | null)[]) =>
  sheetHtml(sheet).replace(
    /(<script type="application\/json" id="answers">)([\s\S]*?)(<\/script>)/,
    (_, open: string, data: string, close: string) => {
      const now = JSON.parse(data) as { answers: { answer: string | null; note: string }[] };
      now.answers.forEach((one, k) => {
        one.answer = given[k] ?? null;
        one.note = given[k] ? `note ${k} </script>` : '';
      });
      return `${open}${JSON.stringify(now).replace(/</g, '\\u003c')}${close}`;
    },
  );

test('the page holds every question, and nothing of a title becomes markup (parse5)', () => {
  const html = sheetHtml(sheet);
  const text = JSON.stringify(parseHtml(html), (key, value: unknown) =>
    key === 'parentNode' ? undefined : value,
  );
  expect(text.match(/"tagName":"fieldset"/g)).toHaveLength(2);
  // Its own two scripts, and no third one.
  expect(text.match(/"tagName":"script"/g)).toHaveLength(2);
  expect(text).not.toContain('"tagName":"b"');
  expect(html).toContain('Yes: Delete 3');
  expect(html).toContain('Put it right by hand');
  expect(html).not.toMatch(/(?:src|href)\s*=\s*"/);
});

test('answers come back from the saved page, notes included', () => {
  const read = readAnswers(answered('yes', 'unsure'));
  expect(read.ok && read.value).toEqual([
    { id: 'q1', answer: 'yes', note: 'note 0 </script>', findings: ['0123456789ab', 'ba9876543210'] },
    { id: 'q2', answer: 'unsure', note: 'note 1 </script>', findings: ['aaaaaaaaaaaa'] },
  ]);
  const one = readAnswers(answered(null, 'no'));
  expect(one.ok && one.value.map(({ id }) => id)).toEqual(['q2']);
});

test('answers come back from the table, however they are spelled', () => {
  const rows: string[][] = parse(sheetCsv(sheet));
  expect(rows[0]).toEqual([...sheetColumns]);
  expect(rows[1]?.[3]).toBe('“A <b>bold</b> title” (Week 1); =SUM(A1)');
  const filled = sheetCsv(sheet).split('\r\n');
  const withAnswers = [
    filled[0],
    filled[1]?.replace(',,,0123', ',YES,gone since 2024,0123'),
    filled[2]?.replace(',,,aaaa', ',n,,aaaa'),
  ];
  const read = readAnswers(withAnswers.join('\r\n'));
  expect(read.ok && read.value.map(({ answer, note }) => [answer, note])).toEqual([
    ['yes', 'gone since 2024'],
    ['no', ''],
  ]);
});

test.each([
  ['nothing ticked', answered(null, null), /has an answer/],
  [
    'another page',
    '<script type="application/json" id="answers">{"schema":"other"}</script>',
    /saved? the page by its own button/,
  ],
  ['another table', 'a,b\n1,2\n', /no columns “question”/],
  ['an odd word', 'question,answer,findings\nq1,maybe,0123456789ab\n', /Row 1 answers “maybe”/],
  ['lost findings', 'question,answer,findings\nq1,yes,what?\n', /does not name its findings/],
  ['no table at all', 'question,"answer\n', /neither a saved question sheet/],
])('%s is refused with one sentence', (_, text, sentence) => {
  const read = readAnswers(text);
  expect(read.ok ? '' : read.trouble.message).toMatch(sentence);
});

import { entryOf } from '@/core/entries';
import { cutQuote } from '@/core/text/clip';
import { z } from 'zod';
import { answers, type Answer, type ReadAnswer } from '@/core/questions/question';
import { bad, good, type Result } from '@/core/shell/result';
import { readCsv } from '../archive/read-csv';

const findingIds = z.array(z.string().regex(/^[0-9a-f]{12}$/));
const saved = z.object({
  schema: z.literal('currycomb.answers/1'),
  answers: z.array(
    z.object({
      id: z.string(),
      findings: findingIds,
      answer: z.enum(answers).nullable(),
      note: z.string().max(4000),
    }),
  ),
});

/** The answers of a sheet that came back: the saved page, or the table. Trouble `answers-unreadable` says what is wrong. */
export function readAnswers(text: string): Result<readonly ReadAnswer[]> {
  if (text.length > longestSheet)
    return bad(
      'answers-unreadable',
      'This file is too long for a question sheet. Choose the sheet that was sent.',
    );
  const data = savedData(text);
  const read = data === null ? fromTable(text) : fromPage(data);
  if (!read.ok) return read;
  if (read.value.length > mostAnswers)
    return bad(
      'answers-unreadable',
      `This sheet has ${read.value.length.toLocaleString('en')} answers, and a shell has at most ${mostAnswers.toLocaleString('en')} questions. Choose the sheet that was sent.`,
    );
  return read.value.length > 0
    ? read
    : bad(
        'answers-unreadable',
        'No question of this sheet has an answer; tick them, save the page, and choose that file.',
      );
}

/** A sheet of a thousand questions has half a million characters. */
const longestSheet = 4_000_000;
/** The largest shells have fewer questions. */
const mostAnswers = 10_000;

/** How often the mark is looked for: a sheet has it once, whatever its owner wrote. */
const mostMarks = 10;

/**
 * What the element `answers` of a saved page holds; null where there is none. It is found by its mark, in one pass: a
 * pattern that begins at every tag takes minutes for a page of half a million characters.
 */
function savedData(text: string): string | null {
  const lower = text.toLowerCase();
  let at = -1;
  for (let n = 0; n < mostMarks; n += 1) {
    at = lower.indexOf('id="answers"', at + 1);
    if (at < 0) return null;
    const tag = lower.lastIndexOf('<', at);
    if (!lower.startsWith('<script', tag) || lower.lastIndexOf('>', at) > tag) continue;
    const begin = lower.indexOf('>', at);
    const end = lower.indexOf('</script>', begin);
    return begin < 0 || end < 0 ? '' : text.slice(begin + 1, end);
  }
  return null;
}

function fromPage(data: string): Result<readonly ReadAnswer[]> {
  const parsed = saved.safeParse(parsedJson(data));
  if (!parsed.success)
    return bad(
      'answers-unreadable',
      'The answers in this page can’t be read; save the page by its own button and choose that file.',
    );
  return good(
    parsed.data.answers.flatMap(({ answer, ...one }) => (answer === null ? [] : [{ ...one, answer }])),
  );
}

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

/** Words that people write for an answer. */
const spelled: Readonly<Record<string, Answer>> = {
  yes: 'yes',
  y: 'yes',
  no: 'no',
  n: 'no',
  unsure: 'unsure',
  '?': 'unsure',
  'i do not know': 'unsure',
  'i don’t know': 'unsure',
};

function fromTable(text: string): Result<readonly ReadAnswer[]> {
  let table: ReturnType<typeof readCsv>;
  try {
    table = readCsv(text, 'the answers');
  } catch {
    return bad(
      'answers-unreadable',
      'This is neither a saved question sheet nor a table that can be read; choose one of the two.',
    );
  }
  const place = (name: string) => table.header.findIndex((cell) => cell.toLowerCase() === name);
  const [id, answer, note, findings] = ['question', 'answer', 'note', 'findings'].map(place);
  if (
    id === undefined ||
    id < 0 ||
    answer === undefined ||
    answer < 0 ||
    findings === undefined ||
    findings < 0
  )
    return bad(
      'answers-unreadable',
      'This table has no columns “question”, “answer” and “findings”; choose the CSV that Currycomb wrote.',
    );
  const read: ReadAnswer[] = [];
  for (const { row, cells } of table.rows) {
    const written = (cells[answer] ?? '').toLowerCase();
    if (written === '') continue;
    const meant = entryOf(spelled, written);
    const ids = findingIds.safeParse((cells[findings] ?? '').split(/\s+/).filter(Boolean));
    if (meant === undefined || !ids.success)
      return bad(
        'answers-unreadable',
        meant === undefined
          ? `Row ${row} answers “${cutQuote(cells[answer] ?? '')}”; write yes, no or unsure.`
          : `Row ${row} does not name its findings any more; leave the last column as it was.`,
      );
    read.push({ id: cells[id] ?? '', answer: meant, note: cells[note ?? -1] ?? '', findings: ids.data });
  }
  return good(read);
}

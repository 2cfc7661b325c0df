import { entryOf } from '@/core/entries';
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
  const read = /<script[^>]+id="answers"/i.test(text) ? fromPage(text) : fromTable(text);
  if (!read.ok) return read;
  return read.value.length > 0
    ? read
    : bad(
        'answers-unreadable',
        'No question of this sheet has an answer; tick them, save the page, and choose that file.',
      );
}

function fromPage(text: string): Result<readonly ReadAnswer[]> {
  const data = /<script[^>]+id="answers"[^>]*>([\s\S]*?)<\/script>/i.exec(text)?.[1] ?? '';
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
          ? `Row ${row} answers “${cells[answer] ?? ''}”; write yes, no or unsure.`
          : `Row ${row} does not name its findings any more; leave the last column as it was.`,
      );
    read.push({ id: cells[id] ?? '', answer: meant, note: cells[note ?? -1] ?? '', findings: ids.data });
  }
  return good(read);
}

import type { QuestionSheet } from '@/core/questions/question';
import { writeCsv } from '../archive/write-csv';

export const sheetColumns = ['question', 'asks', 'proposal', 'things', 'answer', 'note', 'findings'] as const;

/** The question sheet as a table (CSV, RFC 4180): one row a question; the answer is yes, no or unsure. */
export const sheetCsv = (sheet: QuestionSheet): string =>
  writeCsv([
    [...sheetColumns],
    ...sheet.questions.map((question) => [
      question.id,
      question.asks,
      question.proposal ?? '',
      question.things.join('; '),
      '',
      '',
      question.findings.join(' '),
    ]),
  ]);

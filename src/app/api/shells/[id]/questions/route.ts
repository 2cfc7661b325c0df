import { spellDate } from '@/core/time/local-date';
import { sheetCsv } from '@/formats/question-sheet/sheet-csv';
import { sheetHtml } from '@/formats/question-sheet/sheet-html';
import { todayHere } from '@/services/clock';
import { answersSchema, questionSheet, readBackAnswers } from '@/services/decide/questions';
import { answer, readBodyAs } from '@/services/safety/answer';
import { attachment, fileNameOf } from '../../../attachment';
import { shellRoute } from '../../../shell-route';

/** The question sheet as a file: a page, or a table with `?as=csv`. */
export const GET = shellRoute((shell, context, request) => {
  const sheet = questionSheet(context, shell, spellDate(todayHere()));
  const isTable = new URL(request.url).searchParams.get('as') === 'csv';
  const name = `${fileNameOf(sheet.shell)}-questions.${isTable ? 'csv' : 'html'}`;
  return new Response(isTable ? sheetCsv(sheet) : sheetHtml(sheet), {
    headers: {
      'content-type': `${isTable ? 'text/csv' : 'text/html'}; charset=utf-8`,
      'content-disposition': attachment(name),
    },
  });
});

/** A sheet as JSON: each of its characters may be written as six. */
const longestSheetBody = 24 * 1024 ** 2;

/** Reads answers back: looked at first, taken with `take`. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, answersSchema, longestSheetBody);
  return body.ok ? answer(await readBackAnswers(context, shell, body.value)) : body.response;
});

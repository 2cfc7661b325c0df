import { spellDate } from '@/core/dates/local-date';
import { sheetCsv } from '@/formats/question-sheet/sheet-csv';
import { sheetHtml } from '@/formats/question-sheet/sheet-html';
import { todayHere } from '@/services/keep/time/clock';
import { questionSheet, readBackAnswers } from '@/services/do/decide/questions';
import { answer, readBodyText } from '@/services/wire/answers/answer';
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

/** A saved sheet, in bytes. It is read by another process, so it comes as it is and not as JSON. */
const longestSheet = 8 * 1024 ** 2;

/** Reads answers back: looked at first, taken with `?take=yes`. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyText(request, longestSheet);
  if (!body.ok) return body.response;
  const take = new URL(request.url).searchParams.get('take') === 'yes';
  return answer(await readBackAnswers(context, shell, { text: body.value, take }));
});

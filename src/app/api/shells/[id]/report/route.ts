import { Readable } from 'node:stream';
import type { Context } from '@/services/keep/desks/context';
import { reportQuery, type DrawnReport } from '@/services/show/reports/drawn-report';
import { orderWorkbook } from '@/services/do/export/order-workbook';
import { answer, notFound } from '@/services/wire/answers/answer';
import { textOf } from '@/services/keep/desks/stage-answer';
import { attachment, fileNameOf } from '../../../attachment';
import { shellRoute } from '../../../shell-route';

/** A report: `?of=audit|run|sign-off&as=html|csv|json|xlsx`; a run’s by its id, a table of it as CSV by its name. */
export const GET = shellRoute(async ({ row }, context, request) => {
  const { search, searchParams } = new URL(request.url);
  const query = reportQuery.safeParse(Object.fromEntries(searchParams));
  if (!query.success)
    return Response.json(
      { trouble: 'Say of what the report is (audit, run, sign-off) and as what (html, csv, json, xlsx).' },
      { status: 400 },
    );
  const text = textOf(await context.stages.draw({ shellId: row.id, stage: 'report', query: search }));
  if (text === null) return notFound('report');
  const report = JSON.parse(text) as DrawnReport;
  const { as } = query.data;
  if (as === 'xlsx') return sendWorkbook(context, row.id, report);
  const headers = as === 'html' ? pageHeaders : attachedHeaders(report, as);
  return new Response(report.text, { headers });
});

const pageHeaders = {
  'content-type': 'text/html; charset=utf-8',
  'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
};

const attachedHeaders = ({ title }: DrawnReport, as: 'csv' | 'json') => ({
  'content-type': as === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
  'content-disposition': attachment(`${fileNameOf(title)}.${as}`),
});

async function sendWorkbook(context: Context, shellId: string, { title, text }: DrawnReport) {
  const written = await orderWorkbook(context, shellId, text, new Date().toISOString());
  if (!written.ok) return answer(written);
  return new Response(Readable.toWeb(written.value.stream) as ReadableStream, {
    headers: {
      'content-type': 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
      'content-length': String(written.value.bytes),
      'content-disposition': attachment(`${fileNameOf(title)}.xlsx`),
    },
  });
}

import { Readable } from 'node:stream';
import { z } from 'zod';
import { drawPage } from '@/formats/report/model/draw-page';
import { drawCsv } from '@/formats/report/model/draw-table';
import { reportKinds, type Report } from '@/formats/report/model/report';
import type { Context } from '@/services/context';
import { orderWorkbook } from '@/services/prove/reports/order-workbook';
import { auditOf, runOf, signOffOf } from '@/services/prove/reports/shell-reports';
import { answer, notFound } from '@/services/safety/answer';
import type { CurrentShell } from '@/services/shells/current-shell';
import { attachment, fileNameOf } from '../../../attachment';
import { shellRoute } from '../../../shell-route';

const querySchema = z.object({
  of: z.enum(reportKinds).default('audit'),
  as: z.enum(['html', 'csv', 'json', 'xlsx']).default('html'),
  run: z.string().nullable().default(null),
  table: z.string().nullable().default(null),
});
type Query = z.output<typeof querySchema>;

/** A report: `?of=audit|run|sign-off&as=html|csv|json|xlsx`; a run’s by its id, a table of it as CSV by its name. */
export const GET = shellRoute(async (shell, context, request) => {
  const query = querySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!query.success)
    return Response.json(
      { trouble: 'Say of what the report is (audit, run, sign-off) and as what (html, csv, json, xlsx).' },
      { status: 400 },
    );
  const report = reportOf(context, shell, query.data);
  return report === null ? notFound('report') : send(context, shell, query.data, report);
});

function reportOf(context: Context, shell: CurrentShell, { of, as, run }: Query): Report | null {
  switch (of) {
    case 'audit':
      return auditOf(context, shell, as !== 'html');
    case 'run':
      return runOf(context, shell, run);
    case 'sign-off':
      return signOffOf(context, shell);
  }
}

async function send(
  context: Context,
  shell: CurrentShell,
  { as, table }: Query,
  report: Report,
): Promise<Response> {
  const attached = attachment(`${fileNameOf(report.title)}.${as}`);
  switch (as) {
    case 'html': {
      const policy = "default-src 'none'; style-src 'unsafe-inline'";
      return new Response(drawPage(report), {
        headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': policy },
      });
    }
    case 'csv': {
      const text = drawCsv(report, table);
      if (text === null) return notFound('table of this report');
      return new Response(text, {
        headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': attached },
      });
    }
    case 'json':
      return Response.json(report, { headers: { 'content-disposition': attached } });
    case 'xlsx': {
      const written = await orderWorkbook(context, shell.row.id, report, new Date().toISOString());
      if (!written.ok) return answer(written);
      return new Response(Readable.toWeb(written.value.stream) as ReadableStream, {
        headers: {
          'content-type': 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
          'content-length': String(written.value.bytes),
          'content-disposition': attached,
        },
      });
    }
  }
}

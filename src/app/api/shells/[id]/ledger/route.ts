import { ledgerCsv, ledgerJson } from '@/formats/report/ledger-files';
import { fitting, ledgerQuery, wholeLedger } from '@/services/show/carry-out/ledger-view';
import { attachment, fileNameOf } from '../../../attachment';
import { shellRoute } from '../../../shell-route';

/** The ledger as a file: CSV, or with `format=json` JSON (`currycomb.ledger/1`). */
export const GET = shellRoute((shell, context, request) => {
  const params = new URL(request.url).searchParams;
  const query = ledgerQuery.safeParse(Object.fromEntries(params));
  if (!query.success)
    return Response.json({ trouble: 'What is asked of the ledger is not understood.' }, { status: 400 });
  const entries = fitting(wholeLedger(context, shell.row.id), query.data);
  const isJson = params.get('format') === 'json';
  const body = isJson ? ledgerJson(shell.row.code, entries) : ledgerCsv(entries);
  const name = `${fileNameOf(shell.row.code)}-ledger.${isJson ? 'json' : 'csv'}`;
  return new Response(body, {
    headers: {
      'content-type': isJson ? 'application/json' : 'text/csv; charset=utf-8',
      'content-disposition': attachment(name),
    },
  });
});

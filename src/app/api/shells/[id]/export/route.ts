import { Readable } from 'node:stream';
import { exportNames, exportShell, type ExportKind } from '@/services/prove/export-shell';
import { answer } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

const kinds = Object.keys(exportNames) as ExportKind[];

export const GET = shellRoute(async (shell, context, request) => {
  const what = kinds.find((k) => k === new URL(request.url).searchParams.get('what')) ?? 'package';
  const result = await exportShell(context, shell, what);
  if (!result.ok) return answer(result);
  const { ending, type } = exportNames[what];
  const name = `${(shell.row.code || shell.row.title).replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'shell'}${ending}`;
  return new Response(Readable.toWeb(result.value.stream) as ReadableStream, {
    headers: { 'content-type': type, 'content-length': String(result.value.bytes), 'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}` },
  });
});

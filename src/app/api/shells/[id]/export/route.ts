import { Readable } from 'node:stream';
import { z } from 'zod';
import type { Sha256 } from '@/core/refs/refs';
import type { Context } from '@/services/keep/desks/context';
import { exportNames, type ExportKind } from '@/services/do/export/export-kinds';
import { exportShell } from '@/services/do/export/export-shell';
import { stateOfPoint } from '@/services/do/carry-out/restore-points';
import { answer, notFound } from '@/services/wire/answers/answer';
import { blobHash } from '@/services/keep/shells/kept-state';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { attachment, fileNameOf } from '../../../attachment';
import { shellRoute } from '../../../shell-route';

const kindOf = (text: unknown): ExportKind =>
  (Object.keys(exportNames) as ExportKind[]).find((k) => k === text) ?? 'package';

export const GET = shellRoute((shell, context, request) => {
  const params = new URL(request.url).searchParams;
  const point = params.get('point');
  if (point === null) return download(shell, context, kindOf(params.get('what')));
  const state = stateOfPoint(context, shell, point);
  return state === null
    ? notFound('restore point')
    : download(shell, context, 'package', undefined, blobHash.parse(state));
});

const chosenSchema = z.array(z.string()).min(1);

/** A part of the shell: `chosen` is a list as JSON, since a form can send nothing else. */
export const POST = shellRoute(async (shell, context, request) => {
  const form = await request.formData().catch(() => null);
  const chosen = chosenSchema.safeParse(parsed(form?.get('chosen')));
  if (!chosen.success)
    return Response.json(
      { trouble: 'Nothing was chosen to be exported; go back and tick something.' },
      { status: 400 },
    );
  return download(shell, context, kindOf(form?.get('what')), chosen.data);
});

function parsed(value: unknown): unknown {
  try {
    return JSON.parse(String(value));
  } catch {
    return null;
  }
}

async function download(
  shell: CurrentShell,
  context: Context,
  what: ExportKind,
  chosen?: readonly string[],
  stateBlob?: Sha256,
): Promise<Response> {
  const result = await exportShell(context, shell, what, chosen, stateBlob);
  if (!result.ok) return answer(result);
  const { ending, type } = exportNames[what];
  const name = `${fileNameOf(shell.row.code || shell.row.title)}${chosen ? '-part' : ''}${ending}`;
  return new Response(Readable.toWeb(result.value.stream) as ReadableStream, {
    headers: {
      'content-type': type,
      'content-length': String(result.value.bytes),
      'content-disposition': attachment(name),
    },
  });
}

import { z } from 'zod';
import { chosenShells, shellIdsSchema } from '@/services/many-shells/chosen-shells';
import { summaryForms, writeSummary } from '@/services/many-shells/summary';
import { appContext } from '@/services/app-context';
import { answer } from '@/services/safety/answer';
import { attachment } from '../../attachment';
import { guarded } from '../../guarded';

const querySchema = z.object({
  as: z.enum(summaryForms).default('html'),
  shells: z
    .string()
    .transform((text) => text.split(','))
    .pipe(shellIdsSchema),
});

/** Several shells as one table: `?shells=ID,ID&as=html|csv|json`. */
export const GET = guarded((request) => {
  const query = querySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!query.success)
    return Response.json(
      { trouble: 'Say which shells (shells=ID,ID) and as what (html, csv, json).' },
      { status: 400 },
    );
  const context = appContext();
  const chosen = chosenShells(context, query.data.shells);
  if (!chosen.ok) return answer(chosen);
  const { type, text } = writeSummary(context, chosen.value, query.data.as);
  // A page is looked at; the others are saved.
  const shown = query.data.as === 'html' ? 'inline' : attachment(`summary.${query.data.as}`);
  const policy = "default-src 'none'; style-src 'unsafe-inline'";
  return new Response(text, {
    headers: { 'content-type': type, 'content-security-policy': policy, 'content-disposition': shown },
  });
});

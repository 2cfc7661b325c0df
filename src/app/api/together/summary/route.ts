import { z } from 'zod';
import { chosenShells, mostSummed } from '@/services/do/many-shells/chosen-shells';
import { summaryForms, writeSummary } from '@/services/show/many-shells/summary';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyText } from '@/services/wire/answers/answer';
import { attachment } from '../../attachment';
import { guarded } from '../../guarded';

const formSchema = z.object({
  as: z.enum(summaryForms).default('html'),
  shells: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(z.string()).min(1).max(mostSummed)),
});
/** Thousands of ids. */
const longestForm = 1024 ** 2;

/** Several shells as one table. A form sends their ids, since an address can't hold a thousand of them. */
export const POST = guarded(async (request) => {
  const body = await readBodyText(request, longestForm);
  if (!body.ok) return body.response;
  const query = formSchema.safeParse(Object.fromEntries(new URLSearchParams(body.value)));
  if (!query.success)
    return Response.json(
      { trouble: `Choose 1 to ${mostSummed.toLocaleString('en')} shells, and html, csv or json.` },
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

import { shellRoute } from '../../../shell-route';

/** The job of a kind that is under way for this shell: a page that is opened again finds it here. */
export const GET = shellRoute((shell, context, request) => {
  const kind = new URL(request.url).searchParams.get('kind') ?? undefined;
  return Response.json({ job: context.jobs.underWay(shell.row.id, kind) });
});

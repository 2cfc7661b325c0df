import { appContext } from '@/services/keep/desks/app-context';
import { isOver, type JobView } from '@/services/keep/jobs/job-queue';
import { notFound } from '@/services/wire/answers/answer';
import { guarded } from '../../../guarded';

export const dynamic = 'force-dynamic';

/** A job's progress as server-sent events. Leaving the page ends the stream, never the job. */
export const GET = guarded<{ id: string }>((_, { id }) => {
  const { jobs } = appContext();
  const first = jobs.view(id);
  if (!first) return notFound('job');
  const encoder = new TextEncoder();
  let stop: (() => void) | null = null;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (view: JobView) => {
        controller.enqueue(encoder.encode(`data: ${JSON.stringify(view)}\n\n`));
        if (!isOver(view)) return;
        stop?.();
        controller.close();
      };
      stop = jobs.watch(id, send);
      send(first);
    },
    cancel() {
      stop?.();
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
});

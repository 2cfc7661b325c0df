import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { incomingTypes, type AddPreview, type IncomingType } from '@/core/add/incoming';
import type { Sha256 } from '@/core/shell/refs';
import { bad, good, type Result } from '@/core/shell/result';
import { spellDate, type LocalDate } from '@/core/time/local-date';
import { incomings, ledger, runs, shells } from '@/store/schema';
import { orderComb } from '../comb/order-comb';
import type { RunSummary } from '../carry-out/order-run';
import type { Context } from '../context';
import { findShell, intakeOf, type CurrentShell } from '../shells/current-shell';
import { keepVersion } from '../shells/keep-version';
import { earlierAdding } from './preview-view';

/** What the preview sends: what is ticked, where it lands, what becomes of its dates. */
export const addSchema = z.strictObject({
  incoming: z.string(),
  chosen: z.array(z.string()).min(1, 'tick something first'),
  landing: z.discriminatedUnion('where', [
    z.strictObject({ where: z.literal('matching') }),
    z.strictObject({ where: z.literal('end') }),
    z.strictObject({ where: z.literal('module'), ref: z.string() }),
  ]),
  dating: z.enum(['keep', 'shift', 'clear']),
});
export type AddForm = z.output<typeof addSchema>;

const thingNames: Readonly<Record<IncomingType, string>> = {
  item: 'items',
  file: 'files',
  event: 'events',
  gradeCategory: 'grade categories',
  gradeColumn: 'grade columns',
  bank: 'question banks',
};

/** Adds what was chosen of the waiting package: a run like any other, with restore point, ledger and undo. */
export function orderAdd(
  context: Context,
  shell: CurrentShell,
  form: AddForm,
  today: LocalDate,
): Result<{ jobId: string }> {
  const incoming = context.db.select().from(incomings).where(eq(incomings.shellId, shell.row.id)).get();
  if (!incoming || incoming.id !== form.incoming)
    return bad('nothing-incoming', 'This package is not waiting any more; choose it again.');
  if (incoming.versionId !== shell.version.id)
    return bad(
      'shell-changed',
      'The shell changed since the package was held against it; hold it against the shell again.',
    );
  const preview = JSON.parse(
    context.blobs.read(incoming.previewBlob as Sha256)!.toString('utf8'),
  ) as AddPreview;
  const chosen = new Set(form.chosen);
  const earlier = earlierAdding(context, shell, incoming.packageHash);
  if (earlier && !preview.things.some((t) => chosen.has(t.key) && t.standing === 'new'))
    return bad(
      'added-already',
      earlier.runId === null
        ? 'The shell was read from this very package, and nothing that is ticked is new; nothing was added.'
        : 'This package was added already, and nothing that is ticked is new; nothing was added.',
    );
  const startedAt = new Date().toISOString();
  const jobId = context.jobs.order(
    'add',
    shell.row.id,
    {
      stateBlob: shell.version.stateBlob as Sha256,
      incomingBlob: incoming.stateBlob as Sha256,
      choice: {
        chosen: form.chosen,
        landing: form.landing,
        dating: form.dating,
        batch: `added on ${spellDate(today)} from ${incoming.packageName}`,
      },
    },
    (output) => {
      const now = new Date().toISOString();
      const runId = randomUUID();
      context.db.transaction((tx) => {
        const current = tx
          .select({ versionId: shells.versionId })
          .from(shells)
          .where(eq(shells.id, shell.row.id))
          .get();
        if (current?.versionId !== shell.version.id)
          throw new Error(
            'The shell changed while the package was being added, so nothing was written; hold it against the shell again.',
          );
        const afterVersion = keepVersion(tx, shell.row.id, output, intakeOf(shell.version), now);
        const counts = Object.fromEntries(incomingTypes.map((t) => [t, output.added[t].length])) as Record<
          IncomingType,
          number
        >;
        const summary: RunSummary = {
          done: Object.values(counts).reduce((a, b) => a + b, 0),
          blocked: 0,
          nothing: 0,
          removed: { items: 0, files: 0, events: 0, gradeCategories: 0, gradeColumns: 0, banks: 0 },
          relinked: output.relinked,
          added: counts,
        };
        tx.insert(runs)
          .values({
            id: runId,
            shellId: shell.row.id,
            beforeVersion: shell.version.id,
            afterVersion,
            kind: 'add',
            packageName: incoming.packageName,
            packageHash: incoming.packageHash,
            state: 'done',
            editsBlob: output.editsBlob,
            summary: JSON.stringify(summary),
            auditBefore: shell.kept?.id ?? null,
            startedAt,
            finishedAt: now,
          })
          .run();
        for (const type of incomingTypes) {
          const things = output.added[type];
          if (things.length)
            tx.insert(ledger)
              .values({
                runId,
                direction: 'do',
                action: 'add',
                targets: JSON.stringify(things.map((t) => t.ref)),
                titles: JSON.stringify(things.map((t) => t.title)),
                outcome: 'done',
                reason: `${thingNames[type]} of ${incoming.packageName}`,
                at: now,
              })
              .run();
        }
        if (output.loose.length)
          tx.insert(ledger)
            .values({
              runId,
              direction: 'do',
              action: 'add',
              targets: JSON.stringify([]),
              titles: JSON.stringify(output.loose.map((l) => l.from)),
              outcome: 'link leads nowhere',
              reason: `what it leads to was not taken: ${output.loose
                .slice(0, 5)
                .map((l) => l.asked)
                .join(', ')}`,
              at: now,
            })
            .run();
        tx.delete(incomings).where(eq(incomings.id, incoming.id)).run();
      });
      // A shell that was combed is combed again, so that its findings are those of what is there now.
      const after = findShell(context, shell.row.id);
      if (after && shell.kept) orderComb(context, after);
      return { runId };
    },
  );
  return good({ jobId });
}

import { randomUUID } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import type { Finding } from '@/core/checks/finding';
import { stepSchema, type Step } from '@/core/plan/step';
import { bad, good, type Result } from '@/core/shell/result';
import { accepted, handSteps, leaveBes } from '@/store/schema';
import type { Context } from '../context';
import { courseOf, type CurrentShell } from '../shells/current-shell';

const ids = z
  .array(z.string().regex(/^[0-9a-f]{12}$/))
  .min(1)
  .max(100_000);

/** What a person can decide on findings, one or many at once. */
export const decisionSchema = z.discriminatedUnion('decision', [
  z.strictObject({ decision: z.literal('accept'), findings: ids }),
  z.strictObject({ decision: z.literal('leave-be'), findings: ids }),
  /** Take a decision back: the finding is open again. */
  z.strictObject({ decision: z.literal('reopen'), findings: ids }),
  /** Another remedy than the proposed one. */
  z.strictObject({ decision: z.literal('change'), findings: ids.max(1), step: stepSchema }),
]);
export type Decision = z.output<typeof decisionSchema>;

export function decide(
  context: Context,
  shell: CurrentShell,
  decision: Decision,
): Result<{ readonly decided: number }> {
  const known = new Map([...shell.open, ...shell.leftBe].map((f) => [f.id, f]));
  const findings = decision.findings.map((id) => known.get(id)).filter((f) => f !== undefined);
  if (findings.length !== decision.findings.length)
    return bad(
      'finding-gone',
      'Some of these findings are not there any more, since the shell was combed again; look at the list once more.',
    );
  switch (decision.decision) {
    case 'accept': {
      const without = findings.find((f) => f.remedy === null);
      if (without)
        return bad(
          'no-remedy',
          `“${without.title}” has no remedy to accept; choose what should happen to it.`,
        );
      return record(context, shell, findings, (tx, now) => {
        reopen(tx, shell, findings);
        for (const f of findings)
          tx.insert(accepted)
            .values({ shellId: shell.row.id, findingId: f.id, acceptedAt: now })
            .onConflictDoNothing()
            .run();
      });
    }
    case 'leave-be':
      return record(context, shell, findings, (tx, now) => {
        reopen(tx, shell, findings);
        for (const f of findings)
          tx.insert(leaveBes)
            .values({
              course: courseOf(shell.row),
              check: f.check,
              substance: f.substance,
              title: f.title,
              decidedAt: now,
            })
            .onConflictDoNothing()
            .run();
      });
    case 'reopen':
      return record(context, shell, findings, (tx) => reopen(tx, shell, findings));
    case 'change': {
      const step: Step = { ...decision.step, from: decision.findings[0]! };
      return record(context, shell, findings, (tx) => {
        reopen(tx, shell, findings);
        tx.insert(handSteps)
          .values({
            id: randomUUID(),
            shellId: shell.row.id,
            position: Date.now(),
            step: JSON.stringify(step),
          })
          .run();
      });
    }
  }
}

/** Empties the plan; what was left be stays so. */
export function clearPlan(context: Context, shellId: string): void {
  context.db.transaction((tx) => {
    tx.delete(accepted).where(eq(accepted.shellId, shellId)).run();
    tx.delete(handSteps).where(eq(handSteps.shellId, shellId)).run();
  });
}

type Transaction = Parameters<Parameters<Context['db']['transaction']>[0]>[0];

function record(
  context: Context,
  _shell: CurrentShell,
  findings: readonly Finding[],
  write: (tx: Transaction, now: string) => void,
): Result<{ decided: number }> {
  context.db.transaction((tx) => write(tx, new Date().toISOString()));
  return good({ decided: findings.length });
}

function reopen(tx: Transaction, shell: CurrentShell, findings: readonly Finding[]): void {
  const list = findings.map((f) => f.id);
  for (let i = 0; i < list.length; i += 500)
    tx.delete(accepted)
      .where(and(eq(accepted.shellId, shell.row.id), inArray(accepted.findingId, list.slice(i, i + 500))))
      .run();
  const own = new Set(list);
  for (const { id, step } of shell.plan.handSteps)
    if (own.has(step.from)) tx.delete(handSteps).where(eq(handSteps.id, id)).run();
  for (const f of findings)
    tx.delete(leaveBes)
      .where(
        and(
          eq(leaveBes.course, courseOf(shell.row)),
          eq(leaveBes.check, f.check),
          eq(leaveBes.substance, f.substance),
        ),
      )
      .run();
}

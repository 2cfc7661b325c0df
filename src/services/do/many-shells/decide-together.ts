import { z } from 'zod';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { bad, good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { decide } from '@/services/do/decide/decisions';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { chosenShells, shellIdsSchema } from './chosen-shells';
import { idsIn } from './same-findings';

/** One decision for the same findings in several shells. */
export const togetherSchema = z.strictObject({
  shells: shellIdsSchema,
  decision: z.enum(['accept', 'leave-be', 'ask', 'later', 'reopen']),
  findings: z
    .array(z.strictObject({ check: z.string(), substance: z.string() }))
    .min(1)
    .max(10_000),
  reason: z.string().trim().max(2000).optional(),
});
export type TogetherDecision = z.output<typeof togetherSchema>;

/** What became of it in one shell. */
export interface DecidedIn {
  readonly shell: string;
  readonly name: string;
  readonly findings: number;
  /** Why nothing was decided there; null where it was. */
  readonly trouble: string | null;
}

/**
 * Takes one decision in each of the shells, one after the other; where it can’t be taken in one, the others go on and
 * that one says why. Nothing is carried out: what is accepted stands in the plan of each shell.
 */
export async function decideTogether(
  folder: OpenFolder,
  order: TogetherDecision,
): Promise<Result<readonly DecidedIn[]>> {
  const shells = chosenShells(folder, order.shells);
  if (!shells.ok) return shells;
  const decided: DecidedIn[] = [];
  for (const shell of shells.value) {
    decided.push(decideIn(folder, shell, order));
    // Others are answered between two shells.
    await new Promise((resolve) => setImmediate(resolve));
  }
  if (decided.every(({ findings, trouble }) => findings === 0 && trouble === null))
    return bad(
      'finding-gone',
      'None of these shells has these findings any more, since they were combed again; look at the list once more.',
    );
  return good(decided);
}

function decideIn(
  folder: OpenFolder,
  shell: CurrentShell,
  { decision, findings, reason }: TogetherDecision,
): DecidedIn {
  const about = { shell: shell.row.id, name: nameOfShell(shell.row) };
  const ids = idsIn(folder, shell, findings);
  if (!ids.length) return { ...about, findings: 0, trouble: null };
  const said = decision === 'leave-be' ? { decision, reason } : { decision };
  const result = decide(folder, shell, { ...said, findings: [...ids] });
  return {
    ...about,
    findings: result.ok ? ids.length : 0,
    trouble: result.ok ? null : result.trouble.message,
  };
}

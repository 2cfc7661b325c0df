import { z } from 'zod';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { bad, good, type Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';

export const otherSchema = z.strictObject({ with: z.string() });
type Other = z.output<typeof otherSchema>;

/** Orders a shell to be compared with another of the list. */
export function orderCompare(
  context: Context,
  shell: CurrentShell,
  { with: otherId }: Other,
): Result<{ jobId: string }> {
  const other = otherShell(context, shell, otherId);
  if (!other.ok) return other;
  const jobId = context.jobs.order('compare', shell.row.id, {
    here: stateOf(shell),
    other: stateOf(other.value),
    otherId,
  });
  return good({ jobId });
}

/** Holds another shell of the list against this one as if it were a package, so that what is missing can be taken. */
export function orderHoldShell(
  context: Context,
  shell: CurrentShell,
  { with: otherId }: Other,
): Result<{ jobId: string }> {
  const other = otherShell(context, shell, otherId);
  if (!other.ok) return other;
  if (shell.row.hostId !== null)
    return bad(
      'on-host',
      'This shell is on a campus host. You can bring things over only into a shell that was brought in as a package.',
    );
  const { row, version } = other.value;
  const name = nameOfShell(row);
  const jobId = context.jobs.order('hold-against', shell.row.id, {
    versionId: shell.version.id,
    stateBlob: blobHash.parse(shell.version.stateBlob),
    from: { shellBlob: blobHash.parse(version.stateBlob), name },
    rules: rulesFor(context, shell.row).written,
  });
  return good({ jobId });
}

function otherShell(context: Context, shell: CurrentShell, id: string): Result<CurrentShell> {
  if (id === shell.row.id) return bad('same-shell', 'That is this very shell; choose another one.');
  const other = findShell(context, id);
  return other
    ? good(other)
    : bad('shell-gone', 'That shell is not in the list any more; choose another one.');
}

const stateOf = ({ version }: CurrentShell) => ({
  versionId: version.id,
  stateBlob: blobHash.parse(version.stateBlob),
});

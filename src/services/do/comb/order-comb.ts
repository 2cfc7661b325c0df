import type { Context } from '@/services/keep/desks/context';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { answersFor } from '@/services/keep/probe/known-answers';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';

/** Orders a shell to be combed; the findings are kept with the version that was combed. */
export const orderComb = (context: Context, { row, version }: CurrentShell): string =>
  context.jobs.order('comb', row.id, {
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    rules: rulesFor(context, row).written,
    answers: answersFor(context.db, row.id),
  });

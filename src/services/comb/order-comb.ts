import type { Context } from '../context';
import { answersFor } from '../probe/known-answers';
import { rulesFor } from '../house-rules/house-rules';
import type { CurrentShell } from '../shells/current-shell';
import { blobHash } from '../shells/kept-state';
import type { WrittenRules } from '../house-rules/written-rules';
import type { Desk } from '../jobs/job-record';

/** Orders a shell to be combed; the findings are kept with the version that was combed. */
export const orderComb = (context: Context, { row, version }: CurrentShell): string =>
  context.jobs.order('comb', row.id, {
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    rules: rulesFor(context, row).written,
    answers: answersFor(context.db, row.id),
  });

/** Orders a version to be combed where another job has just written it. */
export const orderCombOf = (
  desk: Desk,
  shellId: string,
  versionId: string,
  stateBlob: string,
  rules: WrittenRules,
): string =>
  desk.order('comb', shellId, { versionId, stateBlob, rules, answers: answersFor(desk.tx, shellId) });

import type { WrittenRules } from '@/services/keep/rules/written-rules';
import type { Desk } from '@/services/keep/jobs/job-record';
import { answersFor } from '@/services/keep/probe/known-answers';

/** Orders a version to be combed where another job has just written it. */
export const combWhatIsWritten = (
  desk: Desk,
  shellId: string,
  versionId: string,
  stateBlob: string,
  rules: WrittenRules,
): string =>
  desk.order('comb', shellId, { versionId, stateBlob, rules, answers: answersFor(desk.tx, shellId) });

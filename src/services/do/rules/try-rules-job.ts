import { z } from 'zod';
import { ruleEffects } from '@/core/checks/run/compare-findings';
import { good } from '@/core/shell/result';
import { auditShell } from '@/services/do/packages/audit-shell';
import { recallReadings } from '@/services/keep/findings/kept-readings';
import { defineJob } from '@/services/keep/jobs/job-record';
import { knownAnswers } from '@/services/keep/probe/known-answers';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { rulesFrom, writtenRules } from '@/services/keep/rules/written-rules';

/** What other house rules would change for a shell; newer ones take the place of those that are still being tried. */
export const tryRulesJob = defineJob({
  kind: 'try-rules',
  input: z.strictObject({
    stateBlob: blobHash,
    now: writtenRules,
    then: writtenRules,
    answers: knownAnswers,
  }),
  supersedes: true,
  run: async ({ stateBlob, now, then, answers }, { blobs, memo, progress }) => {
    const shell = shellOf(blobs, stateBlob);
    recallReadings(memo, shell);
    const [old, other] = [rulesFrom(now), rulesFrom(then)];
    if (!old.ok) return old;
    if (!other.ok) return other;
    progress(0, 2, 'Combing by the rules of now');
    const before = auditShell(shell, old.value, undefined, answers);
    progress(1, 2, 'Combing by the other rules');
    return good(ruleEffects(before, auditShell(shell, other.value, undefined, answers)));
  },
  settle: (effects) => effects,
});

import { z } from 'zod';
import { ruleEffects } from '@/core/checks/compare-findings';
import { good } from '@/core/shell/result';
import { auditShell } from '../comb/audit-shell';
import { recallReadings } from '../comb/kept-readings';
import { defineJob } from '../jobs/job-record';
import { knownAnswers } from '../probe/known-answers';
import { blobHash, shellOf } from '../shells/kept-state';
import { rulesFrom, writtenRules } from './written-rules';

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

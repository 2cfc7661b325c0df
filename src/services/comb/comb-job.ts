import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { CheckRow } from '@/core/checks/run-checks';
import type { ShellCounts } from '@/core/shell/inventory';
import { digest } from '@/core/shell/digest';
import { good } from '@/core/shell/result';
import { audits, shells } from '@/store/schema';
import { rulesFrom, rulesKey, writtenRules } from '../house-rules/written-rules';
import { defineJob, Refusal } from '../jobs/job-record';
import { courseOf } from '../shells/course';
import { blobHash, shellOf } from '../shells/kept-state';
import { auditShell } from './audit-shell';
import { keepReadings, recallReadings } from './kept-readings';
import { rowsOf, tallyOf, writeFindings, type FindingRow } from './kept-findings';

interface Combed {
  readonly counts: ShellCounts;
  readonly checks: readonly CheckRow[];
  readonly rows: readonly FindingRow[];
  readonly milliseconds: number;
}

/** Combs a version of a shell; the findings are kept with it. */
export const combJob = defineJob({
  kind: 'comb',
  input: z.strictObject({ versionId: z.string(), stateBlob: blobHash, rules: writtenRules }),
  run: async ({ stateBlob, rules }, { blobs, memo, progress }) => {
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    const begun = performance.now();
    // The same shell under the same rules by the same program has the same findings.
    const key = `audit ${stateBlob} ${digest(JSON.stringify(rules))}`;
    const known = memo.get(key);
    if (known) return good(JSON.parse(known.toString('utf8')) as Combed);
    const shell = shellOf(blobs, stateBlob);
    recallReadings(memo, shell);
    const audit = auditShell(shell, read.value, (done, total, check) => progress(done, total, check.title));
    const combed: Combed = {
      counts: audit.counts,
      checks: audit.checks,
      rows: rowsOf(shell, audit),
      milliseconds: Math.round(performance.now() - begun),
    };
    keepReadings(memo, shell);
    memo.put([[key, Buffer.from(JSON.stringify(combed))]]);
    return good(combed);
  },
  settle: (combed: Combed, { versionId, rules }, { tx, now, shellId }) => {
    const shell = tx
      .select({ id: shells.id, code: shells.code })
      .from(shells)
      .where(eq(shells.id, shellId ?? ''))
      .get();
    if (!shell) throw new Refusal('The shell was removed while it was combed.');
    const auditId = randomUUID();
    const { counts, checks, rows, milliseconds } = combed;
    tx.insert(audits)
      .values({
        id: auditId,
        shellId: shell.id,
        versionId,
        counts: JSON.stringify(counts),
        checks: JSON.stringify(checks),
        tally: '{}',
        milliseconds,
        rulesKey: rulesKey(rules),
        combedAt: now,
      })
      .run();
    writeFindings(tx, auditId, rows);
    const tally = tallyOf(tx, auditId, courseOf(shell), counts);
    tx.update(audits)
      .set({ tally: JSON.stringify(tally) })
      .where(eq(audits.id, auditId))
      .run();
    return { findings: rows.length };
  },
});

import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { CheckRow } from '@/core/checks/run-checks';
import type { ShellCounts } from '@/core/shell/inventory';
import { good } from '@/core/shell/result';
import { audits, shells } from '@/store/schema';
import { rulesFrom, rulesKey, writtenRules } from '../house-rules/written-rules';
import { defineJob, Refusal } from '../jobs/job-record';
import { courseOf } from '../shells/course';
import { blobHash, shellOf } from '../shells/kept-state';
import { auditShell } from './audit-shell';
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
  run: async ({ stateBlob, rules }, { blobs, progress }) => {
    const shell = shellOf(blobs, stateBlob);
    const read = rulesFrom(rules);
    if (!read.ok) return read;
    const begun = performance.now();
    const audit = auditShell(shell, read.value, (done, total, check) => progress(done, total, check.title));
    const milliseconds = Math.round(performance.now() - begun);
    return good({
      counts: audit.counts,
      checks: audit.checks,
      rows: rowsOf(shell, audit),
      milliseconds,
    } satisfies Combed);
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

import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import type { Transaction } from '@/store/database';
import { audits, shells, versions } from '@/store/schema';
import { Refusal } from '@/services/keep/jobs/job-record';
import { writeFindings, type FindingRow } from '@/services/keep/findings/kept-findings';

/**
 * A hundred thousand findings written in one go would keep everybody else waiting for seconds. So a comb has them
 * written down part by part, under an audit that counts for nothing until the last one is there.
 */
export interface DraftPart {
  readonly auditId: string;
  /** The place of the first of these rows in the audit; 0 begins the draft. */
  readonly place: number;
  readonly rows: readonly FindingRow[];
}

/** How many findings are written down at once: some 15 ms of the thread that answers. */
export const rowsInPart = 1000;

const partHead = z.object({ auditId: z.string(), place: z.number().int() });

/** Writes a part of a draft down; the first part clears what an interrupted comb of this shell left. */
export function writePart(tx: Transaction, shellId: string | null, versionId: string, entry: unknown): void {
  const { auditId, place } = partHead.parse(entry);
  if (place === 0) beginDraft(tx, shellId, versionId, auditId);
  writeFindings(tx, auditId, place, (entry as DraftPart).rows);
}

function beginDraft(tx: Transaction, shellId: string | null, versionId: string, auditId: string): void {
  const shell = tx
    .select({ id: shells.id })
    .from(shells)
    .innerJoin(versions, eq(versions.shellId, shells.id))
    .where(and(eq(shells.id, shellId ?? ''), eq(versions.id, versionId)))
    .get();
  if (!shell) throw new Refusal('The shell was removed while it was combed.');
  dropDrafts(tx, versionId);
  tx.insert(audits)
    .values({
      id: auditId,
      shellId: shell.id,
      versionId,
      counts: '{}',
      checks: '[]',
      tally: '{}',
      milliseconds: 0,
      combedAt: '',
      isDraft: true,
    })
    .run();
}

/** Takes away what combs of a version left that did not come to their end. */
export function dropDrafts(tx: Transaction, versionId: string): void {
  tx.delete(audits)
    .where(and(eq(audits.versionId, versionId), eq(audits.isDraft, true)))
    .run();
}

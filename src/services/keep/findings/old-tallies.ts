import { and, eq, sql } from 'drizzle-orm';
import type { Db } from '@/store/database';
import { audits, shells } from '@/store/schema';
import { courseOf } from '@/services/keep/rows/course';
import { tallyAgain } from './kept-findings';

/** Counts anew what an earlier version counted, when parts of larger findings were not told apart. */
export function countOldTallies(db: Db): void {
  const old = db
    .select({ id: audits.id, shell: shells })
    .from(audits)
    .innerJoin(shells, eq(shells.id, audits.shellId))
    .where(and(eq(audits.isDraft, false), sql`json_extract(${audits.tally}, '$.parts') IS NULL`))
    .all();
  if (old.length === 0) return;
  db.transaction((tx) => {
    for (const { id, shell } of old) tallyAgain(tx, [id], courseOf(shell));
  });
}

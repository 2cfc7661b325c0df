import { and, eq, inArray, ne } from 'drizzle-orm';
import type { Shell } from '@/core/shell/model';
import { studentsEye, type StudentsEye } from '@/core/students-eye/students-eye';
import type { Db, Transaction } from '@/store/database';
import { audits, studentsEyes } from '@/store/schema';
import { parseKept } from '@/services/keep/rows/parse-kept';

const tag = 'students-eye/1';

/** What students get of a shell, as text that says of which form it is. */
export const writeEye = (shell: Shell): string => JSON.stringify({ is: tag, ...studentsEye(shell) });

/** Keeps it with its audit; those of earlier audits of the shell go. */
export function keepEye(
  tx: Transaction,
  { auditId, shellId, eye }: { readonly auditId: string; readonly shellId: string; readonly eye: string },
): void {
  const earlier = tx
    .select({ id: audits.id })
    .from(audits)
    .where(and(eq(audits.shellId, shellId), ne(audits.id, auditId)));
  tx.delete(studentsEyes).where(inArray(studentsEyes.auditId, earlier)).run();
  tx.insert(studentsEyes).values({ auditId, eye }).run();
}

/** Null where the audit was made before there was any, or by a form that is read no more: combing again makes one. */
export function recallEye(db: Db, auditId: string): StudentsEye | null {
  const row = db.select().from(studentsEyes).where(eq(studentsEyes.auditId, auditId)).get();
  if (!row) return null;
  const { is, ...eye } = parseKept<StudentsEye & { readonly is?: string }>(
    row.eye,
    'What students get of it',
  );
  return is === tag ? eye : null;
}

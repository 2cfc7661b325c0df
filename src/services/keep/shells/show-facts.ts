import { eq } from 'drizzle-orm';
import type { Term } from '@/core/shell/model';
import type { Transaction } from '@/store/database';
import { shells } from '@/store/schema';

/** Brings what lists and headers say of a shell up to its state: a step may have changed its code, title or term. */
export function showFacts(
  tx: Transaction,
  shellId: string,
  facts: { readonly code: string; readonly title: string; readonly term: Term },
): void {
  const { code, title, term } = facts;
  tx.update(shells)
    .set({ code, title, termTitle: term.title, termStart: term.start, termEnd: term.end })
    .where(eq(shells.id, shellId))
    .run();
}

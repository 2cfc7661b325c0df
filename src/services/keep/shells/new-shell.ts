import type { Transaction } from '@/store/database';
import { shells } from '@/store/schema';
import type { KeptState } from './kept-state';

type Row = typeof shells.$inferInsert;

/** Writes the row of a shell that was just read; `turnTo` gives it its first version. */
export function insertShell(
  tx: Transaction,
  state: Pick<KeptState, 'code' | 'title' | 'term' | 'asOf'>,
  about: Pick<Row, 'id' | 'role' | 'createdAt'> & Partial<Row>,
): void {
  const { code, title, term, asOf } = state;
  tx.insert(shells)
    .values({
      code,
      title,
      termTitle: term.title,
      termStart: term.start,
      termEnd: term.end,
      asOf,
      versionId: '',
      ...about,
    })
    .run();
}

import { eq } from 'drizzle-orm';
import type { z } from 'zod';
import { webAnswersSchema, type WebAnswer } from '@/core/probe/web-answer';
import type { Db, Transaction } from '@/store/database';
import { inList } from '@/store/in-list';
import { shellProbes, webAnswers } from '@/store/schema';
import { parseKept } from '@/services/keep/rows/parse-kept';
import type { ProbedLink } from './probed-link';

/** As a job is given them: null where nobody probed the shell yet. */
export const knownAnswers = webAnswersSchema.nullable().default(null);
export type KnownAnswers = z.output<typeof knownAnswers>;

/** The answers that are kept for these addresses, whichever shell asked. */
export function answersOf(db: Db | Transaction, urls: readonly string[]): WebAnswer[] {
  const rows = db.select().from(webAnswers).where(inList(webAnswers.url, urls)).all();
  return rows.map((row) => parseKept<WebAnswer>(row.answer, 'What an address answered'));
}

/** What is known of the addresses that led out of a shell when it was last probed; null where it never was. */
export function answersFor(db: Db | Transaction, shellId: string): KnownAnswers {
  const row = db
    .select({ links: shellProbes.links })
    .from(shellProbes)
    .where(eq(shellProbes.shellId, shellId))
    .get();
  if (!row) return null;
  const links = parseKept<ProbedLink[]>(row.links, 'The last probe of the links');
  return answersOf(
    db,
    links.map(({ url }) => url),
  );
}

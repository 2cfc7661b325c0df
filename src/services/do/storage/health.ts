import { sql } from 'drizzle-orm';
import type { Context } from '@/services/keep/desks/context';

/** What is asked of a server by whoever runs it. */
export interface Health {
  readonly state: 'ready';
  /** Whether no job is under way or waits. */
  readonly idle: boolean;
}

/** Asks the store something; throws what it says where it can’t be used. */
export function healthOf({ db, jobs }: Context): Health {
  db.get(sql`SELECT count(*) FROM shells`);
  return { state: 'ready', idle: jobs.idle };
}

import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import type { Db } from '@/store/database';
import { jobs as jobRows, switches } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';

/** The link probe leaves this computer, so that it is off until somebody switches it on. */
const name = 'link-probe';
export const probeSwitchSchema = z.strictObject({ on: z.boolean() });

export const isProbeOn = (db: Db): boolean =>
  db.select().from(switches).where(eq(switches.name, name)).get() !== undefined;

/** Switches the probe on or off; one that is under way when it is switched off is cancelled. */
export function switchProbe({ db, jobs }: Context, { on }: z.output<typeof probeSwitchSchema>) {
  if (on) {
    const turnedOnAt = new Date().toISOString();
    db.insert(switches).values({ name, turnedOnAt }).onConflictDoNothing().run();
    return { on };
  }
  db.delete(switches).where(eq(switches.name, name)).run();
  const underWay = db
    .select({ id: jobRows.id })
    .from(jobRows)
    .where(and(eq(jobRows.kind, 'probe'), inArray(jobRows.state, ['waiting', 'running'])))
    .all();
  for (const { id } of underWay) jobs.cancel(id);
  return { on };
}

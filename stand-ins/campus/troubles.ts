import { z } from 'zod';

/** What goes wrong at the host on purpose. Nothing of it is known to who asks. */
export const troublesSchema = z.strictObject({
  seed: z.int().min(0).default(1),
  /** Every answer waits up to so many milliseconds. */
  slow: z.int().min(0).max(10_000).default(0),
  /** This share of requests fails with 500, 502, 503 or 504 before anything is done. */
  fail: z.number().min(0).max(0.9).default(0),
  /** After this share of requests the connection breaks when the work is done. */
  drop: z.number().min(0).max(0.9).default(0),
  /** A job stops for good after so many changes, until it is started again; 0 for never. */
  stall: z.int().min(0).default(0),
  /** More requests a second than this are refused with 429; 0 for no limit. */
  hurry: z.int().min(0).default(0),
  /** A sign-in is good for so many requests; 0 for half an hour. */
  expire: z.int().min(0).default(0),
  /** The host restarts after so many requests: jobs are cut off, everybody is signed out; 0 for never. */
  restart: z.int().min(0).default(0),
  /** A copy into the shell is still running: so many pages come yet, one with every list that is read. */
  copy: z.int().min(0).max(1000).default(0),
  /** Somebody else changes a title after so many requests; 0 for nobody. */
  others: z.int().min(0).default(0),
});
export type Troubles = z.output<typeof troublesSchema>;

export const noTroubles: Troubles = troublesSchema.parse({});

/** All of them at once, as the crash test and the journey have them. */
export const allTroubles: Troubles = {
  seed: 7,
  slow: 4,
  fail: 0.2,
  drop: 0.05,
  stall: 150,
  hurry: 400,
  expire: 60,
  restart: 400,
  copy: 0,
  others: 0,
};

/** Reads `all`, or `fail=0.2,stall=30`; throws a sentence that names what is not understood. */
export function readTroubles(text: string | undefined): Troubles {
  if (text === undefined || text.trim() === '') return noTroubles;
  if (text.trim() === 'all') return allTroubles;
  const pairs = text.split(',').map((pair) => {
    const [name = '', value = ''] = pair.split('=').map((part) => part.trim());
    return [name, Number(value)] as const;
  });
  const parsed = troublesSchema.safeParse(Object.fromEntries(pairs));
  if (parsed.success) return parsed.data;
  throw new Error(
    `CAMPUS_TROUBLES: ${parsed.error.issues[0]?.message ?? 'not understood'}; write for example fail=0.2,stall=30, or all.`,
  );
}

import type { IncomingThing } from './incoming';

/** How a thing that would come stands to what is here. */
export type Verdict = Pick<IncomingThing, 'standing' | 'counterpart' | 'differences'>;
export const isNew: Verdict = { standing: 'new', counterpart: null, differences: [] };

/** A thing that was held against the shell; nothing is proposed for it yet. */
export type Held = Omit<IncomingThing, 'proposed' | 'leftOut'>;

import type { IncomingThing } from './incoming';

/** How a thing that would come stands to what is here. */
export type Verdict = Pick<IncomingThing, 'standing' | 'counterpart' | 'differences' | 'firstCopy'>;

export const isNew: Verdict = { standing: 'new', counterpart: null, differences: [] };
export const isDoubled: Verdict = { standing: 'doubled', counterpart: null, differences: [] };

interface Named {
  readonly ref: string;
  readonly title: string;
}

/** The verdict on something whose counterpart is here: it differs where something can be said of it. */
export const heldAgainst = ({ ref, title }: Named, differences: readonly string[]): Verdict => ({
  standing: differences.length > 0 ? 'differs' : 'there',
  counterpart: { ref, title },
  differences,
});

/** A thing that was held against the shell; nothing is proposed for it yet. */
export type Held = Omit<IncomingThing, 'proposed' | 'leftOut'>;

import { matchThings } from '@/core/add/hold-against';
import type { IncomingKey, IncomingType } from '@/core/add/incoming';
import { incomingKey } from '@/core/add/incoming';
import type { Held } from '@/core/add/verdict';
import type { Shell } from '@/core/shell/model';

/** Which thing of one shell is which of the other. */
export interface Pairs {
  /** Every thing of this shell, in its order, with what it was held against. */
  readonly things: readonly Held[];
  /** The other shell’s thing for one of this, each used once. */
  otherOf(type: IncomingType, ref: string): string | undefined;
  /** This shell’s thing for one of the other. */
  hereOf(type: IncomingType, ref: string): string | undefined;
}

/** Pairs the things of two shells: by identifier, path or UID, else by what they say, else by title and place. */
export function pairThings(other: Shell, here: Shell): Pairs {
  const things = matchThings(other, here, true);
  const others = new Map<IncomingKey, string>();
  const heres = new Map<IncomingKey, string>();
  for (const { type, ref, counterpart } of things) {
    if (!counterpart || heres.has(incomingKey(type, counterpart.ref))) continue;
    others.set(incomingKey(type, ref), counterpart.ref);
    heres.set(incomingKey(type, counterpart.ref), ref);
  }
  return {
    things,
    otherOf: (type, ref) => others.get(incomingKey(type, ref)),
    hereOf: (type, ref) => heres.get(incomingKey(type, ref)),
  };
}

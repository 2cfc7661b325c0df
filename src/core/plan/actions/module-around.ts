import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';

/** What a step expects that takes items from their place: the module that each stands in; null is the top level. */
export const moduleAround = z.strictObject({ into: z.string().nullable() });

/** The module that an item stands in now; null where the shell has no such item. */
export function moduleAroundNow(shell: Shell, ref: string): z.output<typeof moduleAround> | null {
  const item = outlineOf(shell).byRef.get(ref as ItemRef);
  return item ? { into: item.parent } : null;
}

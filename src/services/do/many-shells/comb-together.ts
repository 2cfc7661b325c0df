import { good, type Result } from '@/core/shell/result';
import { orderComb } from '@/services/do/comb/order-comb';
import type { Context } from '@/services/keep/desks/context';
import { chosenShells } from './chosen-shells';

/** Orders all of these to be combed; the ids of the jobs. */
export function combTogether(
  context: Context,
  ids: readonly string[],
): Result<{ readonly jobIds: readonly string[] }> {
  const chosen = chosenShells(context, ids);
  if (!chosen.ok) return chosen;
  return good({ jobIds: chosen.value.map((shell) => orderComb(context, shell)) });
}

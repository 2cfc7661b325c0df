import { entryOf } from '@/core/entries';
import { plural } from '@/core/text/plural';

const sorts: readonly (readonly [kind: string, one: string, many: string])[] = [
  ['failed', 'failed request', 'failed requests'],
  ['no-answer', 'lost answer', 'lost answers'],
  ['too-fast', 'wait that the host asked for', 'waits that the host asked for'],
  ['signed-out', 'new sign-in', 'new sign-ins'],
  ['stalled', 'job that stopped and was started again', 'jobs that stopped and were started again'],
  ['cut-off', 'job that was cut off and started again', 'jobs that were cut off and started again'],
  ['unsteady', 'reading more, since the shell changed', 'readings more, since the shell changed'],
  ['paused', 'pause', 'pauses'],
];

/** What a run met on its way, in a line; empty where it met nothing. */
export function sayMet(met: Readonly<Record<string, number>>): string {
  const parts = sorts.flatMap(([kind, one, many]) => {
    const n = entryOf(met, kind) ?? 0;
    return n > 0 ? [plural(n, one, many)] : [];
  });
  return parts.length > 0 ? `Met and overcome: ${parts.join(', ')}` : '';
}

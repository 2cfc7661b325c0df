import type { Shell } from '@/core/shell/model';
import { bodyOf, type Body } from '../links/written-addresses';
import type { Applied, Target } from '@/core/plan/action/action';

/** Changes the body of each target in turn; a sentence instead of a shell holds the target back. */
export function inEachBody<Sets>(
  shell: Shell,
  targets: readonly Target<unknown, Sets>[],
  change: (shell: Shell, body: Body, sets: Sets) => Shell | string,
): Applied {
  const blocked = new Map<string, string>();
  let now = shell;
  for (const { ref, sets } of targets) {
    const body = bodyOf(now, ref);
    const next = body ? change(now, body, sets) : 'it has no text any more; look at it by hand';
    if (typeof next === 'string') blocked.set(ref, next);
    else now = next;
  }
  return { shell: now, blocked };
}

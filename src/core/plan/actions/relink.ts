import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { linkGraphOf } from '@/core/links/graph';
import type { Shell } from '@/core/shell/model';
import { goalOf } from '../links/goals';
import { relinkThings } from '../links/relink-things';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { defineAction, recordOf } from '@/core/plan/action/action';

/** Leads every link to a thing to another: addresses, dependencies, requirements, a file’s places. */
export const relink = defineAction({
  name: 'relink',
  label: 'Relink',
  title: 'Update links',
  toDo: ({ title, sets, titleOf }) => ({
    what: `Lead all links to “${title}” to “${titleOf(sets.to)}” instead.`,
    lookFor: `Nothing links to “${title}” any more.`,
  }),
  nothing: 'nothing that stays links there',
  phase: 'links',
  on: ['item', 'file'],
  only: 'nothing can link to it',
  params: z.strictObject({ to: refRecord(z.string()) }),
  perTarget: ['to'],
  expects: z.strictObject({ linked: z.boolean() }),
  sets: z.strictObject({ to: z.string() }),
  setsOf: (params, ref) => givenFor('to', params.to, ref),
  paramsOf: (targets) => ({ to: recordOf(targets, (sets) => sets.to) }),
  now: (shell, ref) => {
    const goal = goalOf(shell, ref);
    return goal ? { linked: isLinked(shell, ref) } : null;
  },
  isSet: (now, sets, shell) => !now.linked && refsOf(shell).typeOf(sets.to) !== null,
  apply: (shell, targets) => {
    const refs = refsOf(shell);
    const blocked = new Map<string, string>();
    const pairs = new Map<string, string>();
    for (const { ref, sets } of targets) {
      const type = refs.typeOf(sets.to);
      if (type === 'item' || type === 'file') pairs.set(ref, sets.to);
      else blocked.set(ref, 'what the links should lead to is not in this shell; choose another');
    }
    return { ...relinkThings(shell, pairs), blocked };
  },
});

/** Does anything link to it that can be led elsewhere? */
function isLinked(shell: Shell, ref: string): boolean {
  const goal = goalOf(shell, ref);
  const incoming = linkGraphOf(shell).incoming;
  const byAddress = (goal?.nodes ?? []).some((node) =>
    (incoming.get(node) ?? []).some((edge) => edge.kind === 'address' || edge.kind === 'dependency'),
  );
  return (
    byAddress ||
    shell.items.some((item) => item.requires.some((r) => r === ref)) ||
    (goal?.isFile === true && shell.items.some((i) => i.kind === 'file' && i.content === goal.content))
  );
}

import { z } from 'zod';
import { blankItem } from '@/core/shell/blank-item';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { itemRef, type ItemRef } from '@/core/refs/refs';
import { blockOf, putItem, whyNotThere } from '@/core/plan/action/outline-changes';
import { defineAction } from '@/core/plan/action/action';
import { writtenRefSchema } from './new-ref';

const storeRef = 'currycomb-set-aside';
const storeTitle = 'Set aside (staff only)';
const sets = z.strictObject({ into: writtenRefSchema, title: z.string().min(1) });

/** Moves things out of the students’ sight into a hidden module for staff, which is made when it is first needed. */
export const setAside = defineAction({
  name: 'set-aside',
  label: 'Set aside',
  title: 'Set aside',
  toDo: ({ title, sets }) => ({
    what: `Move “${title}” into the hidden module “${sets.title}”. Add that module first if it is missing.`,
    lookFor: `It is listed in “${sets.title}”, which students can’t see.`,
  }),
  decides: 'place',
  nothing: 'it is set aside already',
  phase: 'change',
  on: ['item'],
  only: 'only items can be set aside; files, events and grade setup can’t',
  params: z.strictObject({ module: writtenRefSchema.optional(), title: z.string().min(1).optional() }),
  perTarget: [],
  expects: z.strictObject({ into: z.string().nullable(), placed: z.boolean() }),
  sets,
  setsOf: (params) => ({ into: params.module ?? storeRef, title: params.title ?? storeTitle }),
  paramsOf: (targets) => ({
    module: targets[0]?.sets.into ?? storeRef,
    title: targets[0]?.sets.title ?? storeTitle,
  }),
  now: (shell, ref) => {
    const item = outlineOf(shell).byRef.get(ref as ItemRef);
    return item ? { into: item.parent, placed: item.placed } : null;
  },
  isSet: (now, wanted) => now.placed && now.into === wanted.into,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const asked = new Set(targets.map((target) => target.ref));
    let now = shell;
    for (const { ref, sets: store } of targets) {
      const withStore = ensureStore(now, store);
      if (typeof withStore === 'string') {
        blocked.set(ref, withStore);
        continue;
      }
      const outline = outlineOf(withStore);
      const item = outline.byRef.get(ref as ItemRef);
      const goesAlong = item ? outline.ancestors(item).some((around) => asked.has(around.ref)) : false;
      if (!item || goesAlong) continue;
      const place = { into: store.into, before: null };
      const reason = whyNotThere(withStore, place, new Set(blockOf(withStore, item).map((i) => i.ref)));
      if (reason === null) now = putItem(withStore, item, place);
      else blocked.set(ref, reason);
    }
    return { shell: now, blocked };
  },
});

/** The shell with the hidden module; a sentence where something else has its ref or it is open to students. */
function ensureStore(shell: Shell, store: z.output<typeof sets>): Shell | string {
  const outline = outlineOf(shell);
  const there = outline.byRef.get(store.into as ItemRef);
  if (!there) {
    const fresh = { ...blankItem, ref: itemRef(store.into), kind: 'module' as const, title: store.title };
    return putItem(shell, { ...fresh, shown: false }, { into: null, before: null });
  }
  if (there.kind !== 'module' || !there.placed) return `“${there.title}” is no module to set things aside in`;
  return outline.isShown(there) ? `“${there.title}” is open to students; hide it first` : shell;
}

import { z } from 'zod';
import { blankItem } from '@/core/shell/blank-item';
import { outlineOf } from '@/core/shell/outline';
import { itemRef, type ItemRef } from '@/core/shell/refs';
import { putItem, whyNotThere } from '../outline-changes';
import { refsOf } from '../refs-of-shell';
import { defineAction, recordOf } from './action';
import { placeSets } from './place-params';

const kind = z.enum(['module', 'heading']);
const title = z.string().trim().min(1).max(1000);
const sets = placeSets.extend({ kind, title, shown: z.boolean().nullable() });

/** Adds modules and headings; each goes by the ref that the step gives it. */
export const add = defineAction({
  name: 'add',
  label: 'Add',
  nothing: 'it is there already',
  phase: 'add',
  on: [],
  only: 'there is something of that ref already; choose another',
  creates: true,
  params: z.strictObject({
    kind,
    titles: z.record(z.string(), title),
    into: z.string().nullable().optional(),
    before: z.string().nullable().optional(),
    shown: z.boolean().nullable().optional(),
  }),
  perTarget: ['titles'],
  expects: z.strictObject({ absent: z.literal(true) }),
  sets,
  setsOf: (params, ref) => {
    const name = params.titles[ref];
    if (name === undefined) return null;
    const { into = null, before = null, shown = null } = params;
    return { kind: params.kind, title: name, into, before, shown };
  },
  paramsOf: (targets) => ({
    kind: targets[0]?.sets.kind ?? 'module',
    titles: recordOf(targets, (wanted) => wanted.title),
    into: targets[0]?.sets.into ?? null,
    before: targets[0]?.sets.before ?? null,
    shown: targets[0]?.sets.shown ?? null,
  }),
  now: (shell, ref) => (refsOf(shell).typeOf(ref) === null ? { absent: true as const } : null),
  isSet: () => false,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    let now = shell;
    for (const { ref, sets: wanted } of targets) {
      const reason = whyNotAdded(ref) ?? whyNotThere(now, wanted, new Set([ref]));
      if (reason !== null) blocked.set(ref, reason);
      else if (!outlineOf(now).byRef.has(ref as ItemRef)) {
        const { kind: is, title: name, shown } = wanted;
        now = putItem(now, { ...blankItem, ref: itemRef(ref), kind: is, title: name, shown }, wanted);
      }
    }
    return { shell: now, blocked };
  },
});

const whyNotAdded = (ref: string): string | null =>
  /^[A-Za-z_][A-Za-z0-9_.-]{0,199}$/.test(ref)
    ? null
    : `“${ref}” can’t be the ref of something new: begin with a letter, then letters, digits, “_”, “.” and “-”`;

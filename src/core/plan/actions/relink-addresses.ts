import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import type { Shell } from '@/core/shell/model';
import { isWebGoal, leadLink, linkOf } from '../links/web-goal';
import { addressesOf, bodyOf, leadWritten } from '../links/written-addresses';
import { defineAction, type Applied } from '@/core/plan/action/action';

const addresses = refRecord(z.string());

/** Leads addresses, as they are written in the targets, to files or pages of the shell or to other web addresses. */
export const relinkAddresses = defineAction({
  name: 'relink-addresses',
  label: 'Relink in',
  title: 'Update addresses',
  toDo: ({ title, sets }) => ({
    what: `Change these links in “${title}”: ${Object.entries(sets.lead)
      .map(([from, to]) => `“${from}” to “${to}”`)
      .join(', ')}.`,
    lookFor: 'Each link opens the new address.',
  }),
  isSetting: true,
  writtenAs: { action: 'relink', param: 'addresses' },
  nothing: 'the address is gone already',
  phase: 'links',
  on: ['item', 'file', 'bank'],
  only: 'it has no text with addresses',
  params: z.strictObject({ addresses }),
  perTarget: [],
  expects: z.strictObject({ there: z.array(z.string()) }),
  sets: z.strictObject({ lead: addresses }),
  setsOf: (params) => ({ lead: params.addresses }),
  paramsOf: (targets) => ({ addresses: { ...targets[0]?.sets.lead } }),
  now: (shell, ref, sets) => {
    const written = writtenIn(shell, ref);
    return { there: Object.keys(sets.lead).filter((address) => written.has(address)) };
  },
  isSet: (now) => now.there.length === 0,
  apply: (shell, targets): Applied => {
    const paths = pathsOf(shell);
    const blocked = new Map<string, string>();
    let now = shell;
    for (const { ref, sets } of targets) {
      const next = leadIn(now, ref, sets.lead, paths);
      if (typeof next === 'string') blocked.set(ref, next);
      else now = next;
    }
    return { shell: now, blocked };
  },
});

const nothingWritten: ReadonlySet<string> = new Set();

/** The addresses that stand in a thing: those of its text, or the one that it is. */
function writtenIn(shell: Shell, ref: string): ReadonlySet<string> {
  const body = bodyOf(shell, ref);
  if (body) return addressesOf(body);
  const target = linkOf(shell, ref)?.target;
  return target ? new Set([target]) : nothingWritten;
}

/** Leads the addresses of one thing; a sentence where that can’t be. */
function leadIn(
  shell: Shell,
  ref: string,
  lead: Readonly<Record<string, string>>,
  paths: ReadonlySet<string>,
): Shell | string {
  const missing = Object.values(lead).find((goal) => !isWebGoal(goal) && !paths.has(goal));
  if (missing !== undefined) return `“${missing}” is not in this shell; choose another goal`;
  const body = bodyOf(shell, ref);
  if (body) return leadWritten(shell, body, lead);
  const link = linkOf(shell, ref);
  const goal = link && entryOf(lead, link.target ?? '');
  if (!link || goal === undefined || goal === null) return 'it has no text any more; look at it by hand';
  return isWebGoal(goal) ? leadLink(shell, link, goal) : 'a web link can only lead to another web address';
}

const pathsOf = (shell: Shell): Set<string> =>
  new Set([...shell.files.map((f) => f.path), ...shell.contents.flatMap((c) => c.files)]);

import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import { addressesOf, bodyOf, leadWritten } from '../links/written-addresses';
import { defineAction } from './action';
import { inEachBody } from './in-each-body';

const addresses = z.record(z.string(), z.string());

/** Leads addresses, as they are written in the targets’ texts, to files or pages of the shell. */
export const relinkAddresses = defineAction({
  name: 'relink-addresses',
  label: 'Relink in',
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
    const body = bodyOf(shell, ref);
    if (!body) return { there: [] };
    const written = addressesOf(body);
    return { there: Object.keys(sets.lead).filter((address) => written.has(address)) };
  },
  isSet: (now) => now.there.length === 0,
  apply: (shell, targets) => {
    const paths = pathsOf(shell);
    return inEachBody(shell, targets, (now, body, sets) => {
      const missing = Object.values(sets.lead).find((path) => !paths.has(path));
      if (missing !== undefined) return `“${missing}” is not in this shell; choose another goal`;
      return leadWritten(now, body, sets.lead);
    });
  },
});

const pathsOf = (shell: Shell): Set<string> =>
  new Set([...shell.files.map((f) => f.path), ...shell.contents.flatMap((c) => c.files)]);

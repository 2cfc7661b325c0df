import { z } from 'zod';
import { addressesOf, bodyOf, dropWritten } from '../links/written-addresses';
import { defineAction } from '@/core/plan/action/action';
import { inEachBody } from './in-each-body';

const drop = z.array(z.string()).min(1);

/** Takes addresses out of the targets’ texts: a link’s words stay, a picture goes. */
export const unlink = defineAction({
  name: 'unlink',
  label: 'Unlink in',
  title: 'Take links out',
  toDo: ({ title, sets }) => ({
    what: `Take these links out of “${title}”: ${sets.drop.map((link) => `“${link}”`).join(', ')}.`,
    lookFor: 'The words stay, and are not links any more.',
  }),
  isSetting: true,
  nothing: 'the address is gone already',
  phase: 'links',
  on: ['item', 'file', 'bank'],
  only: 'it has no text with addresses',
  params: z.strictObject({ drop }),
  perTarget: [],
  expects: z.strictObject({ there: z.array(z.string()) }),
  sets: z.strictObject({ drop }),
  setsOf: (params) => ({ drop: params.drop }),
  paramsOf: (targets) => ({ drop: [...(targets[0]?.sets.drop ?? [])] }),
  now: (shell, ref, sets) => {
    const body = bodyOf(shell, ref);
    if (!body) return { there: [] };
    const written = addressesOf(body);
    return { there: sets.drop.filter((address) => written.has(address)) };
  },
  isSet: (now) => now.there.length === 0,
  apply: (shell, targets) =>
    inEachBody(shell, targets, (now, body, sets) => dropWritten(now, body, new Set(sets.drop))),
});

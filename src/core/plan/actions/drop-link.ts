import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { eventOfShell } from '@/core/shell/find-things';
import { dropLinks } from '@/core/time/change-events';
import { defineAction, freely, recordOf } from '@/core/plan/action/action';

const addresses = z.array(z.string().min(1)).min(1);

/** Takes addresses out of events: an old meeting link goes, the date stays. */
export const dropLink = defineAction({
  name: 'drop-link',
  label: 'Drop the link of',
  title: 'Remove links of events',
  toDo: ({ title, sets }) => ({
    what: `Take these links out of the event “${title}”: ${sets.drop.join(', ')}.`,
    lookFor: 'The event stays without them.',
  }),
  nothing: 'it has no such link',
  phase: 'change',
  on: ['event'],
  only: 'only events have links of their own; take a link out of a page by unlink',
  joins: true,
  params: z.strictObject({ links: refRecord(addresses) }),
  perTarget: ['links'],
  expects: z.strictObject({ links: z.array(z.string()) }),
  sets: z.strictObject({ drop: addresses }),
  setsOf: (params, ref) => givenFor('drop', params.links, ref),
  paramsOf: (targets) => ({ links: recordOf(targets, (sets) => [...sets.drop]) }),
  now: (shell, ref, sets) => {
    const event = eventOfShell(shell, ref);
    return event ? { links: event.links.filter((link) => sets.drop.includes(link)) } : null;
  },
  isSet: (now) => now.links.length === 0,
  apply: (shell, targets) =>
    freely(dropLinks(shell, new Map(targets.map(({ ref, sets }) => [ref, new Set(sets.drop)])))),
});

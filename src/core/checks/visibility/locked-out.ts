import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { ItemRef } from '@/core/shell/refs';
import { defineCheck } from '../check';
import { neverIn } from './never-open';
import { whyClosed } from './open-doors';

export const lockedOut = defineCheck({
  id: 'visibility.locked-out',
  title: 'Locked behind what cannot be done',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['outline'],
  options: z.object({}),
  messages: {
    missing: '“{title}” requires something that is not in the shell',
    closed: '“{title}” requires “{first}”, which students cannot open',
    circle: '“{title}” requires itself: {chain}',
  },
  things: ['item nobody can unlock', 'items nobody can unlock'],
  page: {
    means: 'What an item requires first is missing, hidden or never open, or requires the item in turn.',
    why: 'Students do all that is asked and still stand before a locked door.',
    example: 'Week 2 requires the safety quiz, which was left in last term’s shell.',
    remedy: 'Drops the requirement that cannot be met; all others stay.',
    notWhen: 'The item itself is hidden.',
  },
  notApplicable: (shell) => (shell.items.some((i) => i.requires.length) ? null : 'nothing requires anything'),
  *find({ shell, facts }) {
    const { byRef, isShown } = facts.outline;
    const told = new Set<string>();
    for (const item of shell.items) {
      if (!item.requires.length || !isShown(item)) continue;
      const chain = circleFrom(item, byRef);
      if (chain) {
        const key = [...chain].map((i) => i.ref).sort().join(' ');
        if (!told.has(key)) {
          told.add(key);
          const last = chain.at(-1)!;
          yield {
            message: { id: 'circle', params: { title: item.title, chain: [...chain, item].map((i) => i.title).join(' → ') } },
            subjects: chain.map((i) => ({ type: 'item', ref: i.ref })),
            evidence: chain.map((i, k) => ({ label: 'Requires', value: `${i.title} → ${(chain[k + 1] ?? item).title}`, where: i.ref })),
            remedy: { action: 'drop-requirement', targets: [last.ref], params: { requirements: { [last.ref]: [item.ref] } }, kind: 'judgement' },
            about: 'circle',
            batch: key,
          };
        }
      }
      const unmet = item.requires.flatMap((ref): { ref: ItemRef; first: Item | null; why: string }[] => {
        const first = byRef.get(ref);
        if (!first) return [{ ref, first: null, why: `nothing here is called ${ref}` }];
        if (!isShown(first)) return [{ ref, first, why: whyClosed(first, facts.outline) }];
        const never = neverIn(first, shell.term);
        return never ? [{ ref, first, why: 'its dates never let students in' }] : [];
      });
      if (!unmet.length) continue;
      const named = unmet.find((u) => u.first);
      yield {
        message: named?.first ? { id: 'closed', params: { title: item.title, first: named.first.title } } : { id: 'missing', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: unmet.map((u) => ({ label: 'Requires', value: `${u.first?.title ?? u.ref}: ${u.why}`, where: u.first?.ref ?? item.ref })),
        remedy: { action: 'drop-requirement', targets: [item.ref], params: { requirements: { [item.ref]: unmet.map((u) => u.ref) } }, kind: 'judgement' },
      };
    }
  },
});

/** The shortest chain of requirements that leads from an item back to it, the item first; null where there is none. */
function circleFrom(item: Item, byRef: ReadonlyMap<ItemRef, Item>): Item[] | null {
  const from = new Map<Item, Item | null>([[item, null]]);
  const open = [item];
  for (let at = open.shift(); at; at = open.shift())
    for (const ref of at.requires) {
      if (ref === item.ref) {
        const chain: Item[] = [];
        for (let back: Item | null = at; back; back = from.get(back) ?? null) chain.unshift(back);
        return chain;
      }
      const next = byRef.get(ref);
      if (next && !from.has(next)) {
        from.set(next, at);
        open.push(next);
      }
    }
  return null;
}

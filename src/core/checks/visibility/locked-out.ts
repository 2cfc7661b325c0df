import { elementAt, valueFor } from '@/core/sure';
import { z } from 'zod';
import type { Item } from '@/core/shell/model';
import type { ItemRef } from '@/core/refs/refs';
import { defineCheck } from '@/core/checks/check/check';
import { neverIn } from './never-open';
import { whyClosed } from '@/core/checks/facts/open-doors';

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
    const circling = mayCircle([...byRef.values()], byRef);
    for (const item of shell.items) {
      if (!item.requires.length || !isShown(item)) continue;
      const chain = circling.has(item) && !told.has(item.ref) ? circleFrom(item, byRef) : null;
      if (chain) {
        for (const i of chain) told.add(i.ref);
        const last = elementAt(chain, -1);
        yield {
          message: {
            id: 'circle',
            params: { title: item.title, chain: [...chain, item].map((i) => i.title).join(' → ') },
          },
          subjects: chain.map((i) => ({ type: 'item', ref: i.ref })),
          evidence: chain.map((i, k) => ({
            label: 'Requires',
            value: `${i.title} → ${(chain[k + 1] ?? item).title}`,
            where: i.ref,
          })),
          remedy: {
            action: 'drop-requirement',
            targets: [last.ref],
            params: { requirements: { [last.ref]: [item.ref] } },
            kind: 'judgement',
          },
          about: 'circle',
          batch: elementAt(chain, 0).ref,
        };
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
        message: named?.first
          ? { id: 'closed', params: { title: item.title, first: named.first.title } }
          : { id: 'missing', params: { title: item.title } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: unmet.map((u) => ({
          label: 'Requires',
          value: `${u.first?.title ?? u.ref}: ${u.why}`,
          where: u.first?.ref ?? item.ref,
        })),
        remedy: {
          action: 'drop-requirement',
          targets: [item.ref],
          params: { requirements: { [item.ref]: unmet.map((u) => u.ref) } },
          kind: 'judgement',
        },
      };
    }
  },
});

/** Items that may be part of a circle: what is left when those that require nothing more, or that nothing more requires, are taken away again and again. */
function mayCircle(items: readonly Item[], byRef: ReadonlyMap<ItemRef, Item>): Set<Item> {
  const next = new Map<Item, Item[]>(
    items.map((i) => [i, i.requires.map((r) => byRef.get(r)).filter((x) => x !== undefined)]),
  );
  const back = new Map<Item, Item[]>(items.map((i) => [i, []]));
  for (const [item, firsts] of next) for (const first of firsts) valueFor(back, first).push(item);
  const left = new Set(items);
  for (const [ways, others] of [
    [next, back],
    [back, next],
  ] as const) {
    const open = new Map([...left].map((i) => [i, valueFor(ways, i).filter((x) => left.has(x)).length]));
    const free = [...left].filter((i) => open.get(i) === 0);
    for (let item = free.pop(); item; item = free.pop()) {
      left.delete(item);
      for (const other of valueFor(others, item)) {
        if (!left.has(other)) continue;
        open.set(other, valueFor(open, other) - 1);
        if (open.get(other) === 0) free.push(other);
      }
    }
  }
  return left;
}

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

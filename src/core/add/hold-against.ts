import { entryOf } from '@/core/entries';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import type { Shell } from '@/core/shell/model';
import { heldEvents } from './held-events';
import { heldFiles } from './held-files';
import { ItemHolder } from './held-items';
import { heldSetup } from './held-setup';
import { headingsFollowedBy, withModulesAround } from './headings';
import type { AddPreview, IncomingKey, IncomingThing, LeftOut, Standing } from './incoming';
import { leftOutOf, type LeftOutOptions } from './left-out';
import { ModuleMatch } from './match-modules';
import { needsOf } from './needs';
import type { Held } from './verdict';

/**
 * How the things of a source stand to those of a shell, in the order of the source, items first. `byIdentity` is for two
 * states of one course: what says nothing alike is known by its identifier, and overrides of series one by one.
 */
export function matchThings(shell: Shell, source: Shell, byIdentity = false): readonly Held[] {
  const modules = new ModuleMatch(shell, source);
  return [
    ...new ItemHolder(shell, source, modules, byIdentity).held(),
    ...heldFiles(shell, source),
    ...heldEvents(shell, source, byIdentity),
    ...heldSetup(shell, source),
  ];
}

/**
 * Holds a source against the shell that it would come into: what each thing is to what is there, whether it is proposed,
 * and why not. Rules in the design: Adding, exactly.
 */
export function holdAgainst(shell: Shell, source: Shell, options: Partial<LeftOutOptions> = {}): AddPreview {
  const held = matchThings(shell, source);
  const needs = needsOf(source);
  const rules = options.rules ?? defaultHouseRules(allChecks);
  const reasons = leftOutOf(shell, source, { rules, hidden: options.hidden ?? false });
  const things = proposed(held, needs, reasons);
  const counts: Record<Standing, number> = { new: 0, there: 0, differs: 0, doubled: 0 };
  for (const thing of things) counts[thing.standing] += 1;
  return { things, counts, needs };
}

/** What is new and not left out; what only serves others, where something that is proposed needs it. */
function proposed(
  held: readonly Held[],
  needs: AddPreview['needs'],
  reasons: ReadonlyMap<IncomingKey, LeftOut>,
): IncomingThing[] {
  const byKey = new Map(held.map((thing) => [thing.key, thing]));
  const isFresh = ({ key, standing }: Held) => standing === 'new' && !reasons.has(key);
  const serving = new Set(Object.values(needs).flatMap((list) => list.map(({ key }) => key)));
  const isProposed = new Set<IncomingKey>();
  const waiting = held.filter((thing) => isFresh(thing) && standsAlone(thing, serving));
  // The loop reaches what is put into the list meanwhile: what is needed needs other things in turn.
  for (const { key } of waiting) {
    if (isProposed.has(key)) continue;
    isProposed.add(key);
    for (const need of entryOf(needs, key) ?? []) {
      const needed = byKey.get(byKey.get(need.key)?.firstCopy ?? need.key);
      if (needed && needed.type !== 'item' && isFresh(needed)) waiting.push(needed);
    }
  }
  for (const key of headingsBefore(held, isProposed, reasons)) isProposed.add(key);
  return held.map((thing) => ({
    ...thing,
    proposed: isProposed.has(thing.key),
    leftOut: reasonFor(thing, isProposed, reasons),
  }));
}

/** Whether a thing is proposed for itself: modules come with what is in them, files and what serves others with that. */
function standsAlone({ key, type, kind }: Held, serving: ReadonlySet<IncomingKey>): boolean {
  if (type === 'item') return kind !== 'module' && kind !== 'heading';
  return type === 'event' || (type !== 'file' && !serving.has(key));
}

function reasonFor(
  thing: Held,
  isProposed: ReadonlySet<IncomingKey>,
  reasons: ReadonlyMap<IncomingKey, LeftOut>,
): LeftOut | null {
  if (thing.standing !== 'new' || thing.kind === 'module' || isProposed.has(thing.key)) return null;
  return reasons.get(thing.key) ?? (thing.type === 'file' ? 'unused' : null);
}

/** New headings that something follows in their module, up to the next heading, of which some comes. */
function headingsBefore(
  held: readonly Held[],
  isProposed: ReadonlySet<IncomingKey>,
  reasons: ReadonlyMap<IncomingKey, LeftOut>,
): IncomingKey[] {
  const items = held.filter(({ type }) => type === 'item');
  const comes = withModulesAround(items, isProposed);
  const headings = headingsFollowedBy(items, (thing) => comes.has(thing.key));
  const isNewHeading = ({ key, standing }: Held) =>
    headings.has(key) && standing === 'new' && !reasons.has(key);
  return held.filter(isNewHeading).map(({ key }) => key);
}

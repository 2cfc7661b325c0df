import { collect } from '@/core/collect';
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
  const isWanted = new Map<IncomingKey, boolean>();
  const neededBy = neededByOf(needs);
  const wanted = (thing: Held): boolean => {
    const known = isWanted.get(thing.key);
    if (known !== undefined) return known;
    // A circle of things that need each other is wanted for none of them alone.
    isWanted.set(thing.key, false);
    const is = thing.standing === 'new' && !reasons.has(thing.key) && isServing(thing);
    isWanted.set(thing.key, is);
    return is;
  };
  const byKey = new Map(held.map((thing) => [thing.key, thing]));
  const isServing = ({ key, type, kind }: Held): boolean => {
    if (type === 'item') return kind !== 'module' && kind !== 'heading';
    const users = neededBy.get(key) ?? [];
    if (type === 'event' || (users.length === 0 && type !== 'file')) return true;
    return users.some((user) => {
      const thing = byKey.get(user);
      return thing !== undefined && wanted(thing);
    });
  };
  const isProposed = new Set(held.filter(wanted).map(({ key }) => key));
  for (const key of headingsBefore(held, isProposed, reasons)) isProposed.add(key);
  return held.map((thing) => ({
    ...thing,
    proposed: isProposed.has(thing.key),
    leftOut: reasonFor(thing, isProposed, reasons),
  }));
}

function reasonFor(
  thing: Held,
  isProposed: ReadonlySet<IncomingKey>,
  reasons: ReadonlyMap<IncomingKey, LeftOut>,
): LeftOut | null {
  if (thing.standing !== 'new' || thing.kind === 'module' || isProposed.has(thing.key)) return null;
  return reasons.get(thing.key) ?? (thing.type === 'file' ? 'unused' : null);
}

function neededByOf(needs: AddPreview['needs']): ReadonlyMap<IncomingKey, readonly IncomingKey[]> {
  const users = new Map<IncomingKey, IncomingKey[]>();
  for (const [key, list] of Object.entries(needs))
    for (const need of list) collect(users, need.key, key as IncomingKey);
  return users;
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

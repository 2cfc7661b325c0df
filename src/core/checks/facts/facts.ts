import { contentKeys, type ContentKeys } from '@/core/compare/content-keys';
import { linkGraphOf, type LinkGraph, type NodeKey } from '@/core/links/graph';
import { placedNodes, reachableFrom } from '@/core/links/reachability';
import type { Probe } from '@/core/probe/probe';
import { activitiesByColumn } from '@/core/shell/grade-links';
import { countShell, type ShellCounts } from '@/core/inventory/inventory';
import type { CourseEvent, Item, Shell } from '@/core/shell/model';
import type { GradeColumnRef } from '@/core/refs/refs';
import { outlineOf, type Outline } from '@/core/shell/outline';
import { findRepeats, type Repeats } from './repeats';
import { ownTerm, type OwnTerm } from '@/core/time/academic-term';
import type { NamedDate } from '@/core/text/named-dates';
import type { NamedTerm } from '@/core/text/named-terms';
import { carriedEvents, carriedOptions, type CarriedReason } from './carried-events';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import { eventGroups, type EventGroups } from './event-groups';
import { findNear, type NearGroup } from './near-groups';
import { datesIn, passagesOf, termsIn, type Mention, type Passage } from './passages';
import type { StaffStores } from './staff-stores';
import { findSeries, type Series } from './series';
import { openDoors, type OpenDoors } from './open-doors';
import { shadowedIn, type ShadowedGroup } from './shadowed-items';

/** What checks know about a shell beyond the shell itself: each fact is worked out once, when first asked for. */
export interface Facts {
  readonly outline: Outline;
  readonly links: LinkGraph;
  /** Nodes that something placed leads to. */
  readonly reached: ReadonlySet<NodeKey>;
  readonly contentKeys: ContentKeys;
  readonly repeats: Repeats;
  /** Events of one title or one joining link, joined. */
  readonly eventGroups: EventGroups;
  /** Titles, texts, alternative texts and file names, in outline order. */
  readonly passages: readonly Passage[];
  /** Days that passages name. */
  readonly namedDates: readonly Mention<NamedDate>[];
  /** Academic terms and years that passages name. */
  readonly namedTerms: readonly Mention<NamedTerm>[];
  readonly ownTerm: OwnTerm;
  /** Items of one kind whose texts are nearly the same. */
  readonly nearGroups: (threshold: number, words: number) => readonly NearGroup[];
  /** Numbered siblings: Week 1, Week 2 … */
  readonly series: readonly Series[];
  /** How many things of each sort there are. */
  readonly counts: ShellCounts;
  /** The activities that belong to each grade column. */
  readonly activities: ReadonlyMap<GradeColumnRef, readonly Item[]>;
  /** What students can open, dates aside. */
  readonly openDoors: OpenDoors;
  /** Stores of staff, which only one check looks into. */
  readonly staffStores: StaffStores;
  /** The shell with them. */
  readonly whole: Shell;
  /** What says that it is shown, inside something hidden that is no staff store of the house rules. */
  readonly shadowed: readonly ShadowedGroup[];
  /** Events that a copy brought along, as the house rules set that check. */
  readonly carriedEvents: ReadonlyMap<CourseEvent, CarriedReason>;
  /** Refs of the events that checks before this one found something about. */
  readonly foundEvents: ReadonlySet<string>;
  /** What addresses outside answered when they were asked; null where nobody asked yet. */
  readonly probe: Probe | null;
}

/** `shell` is the whole of it; what only pairs, groups or counts along looks at the rest beside the stores of staff. */
export function factsOf(
  shell: Shell,
  stores: StaffStores,
  rules: HouseRules,
  foundEvents: ReadonlySet<string>,
  probe: Probe | null,
): Facts {
  const { rest } = stores;
  const carriedRules = () => carriedOptions.parse(rules.checks['calendar.carried-over'] ?? {});
  const facts: Facts = workedOutOnce<Facts>({
    foundEvents: () => foundEvents,
    probe: () => probe,
    staffStores: () => stores,
    whole: () => shell,
    outline: () => outlineOf(shell),
    links: () => linkGraphOf(shell),
    reached: () => reachableFrom(facts.links, placedNodes(shell)),
    contentKeys: () => contentKeys(shell, facts.links),
    repeats: () => findRepeats(rest, facts.contentKeys, outlineOf(rest)),
    eventGroups: () => eventGroups(shell.events),
    passages: () => passagesOf(rest),
    namedDates: () => datesIn(facts.passages),
    namedTerms: () => termsIn(facts.passages),
    ownTerm: () => ownTerm(shell),
    nearGroups: () => (threshold, words) => findNear(rest, facts.contentKeys, threshold, words),
    series: () => findSeries(outlineOf(rest)),
    counts: () => countShell(shell),
    activities: () => activitiesByColumn(shell),
    openDoors: () => openDoors(shell, facts.outline, facts.links),
    shadowed: () => shadowedIn(stores, facts.outline, facts.openDoors, facts.activities),
    carriedEvents: () => carriedEvents(shell, carriedRules()),
  });
  return facts;
}

/** An object of which each member is worked out when it is first asked for, and then known. */
function workedOutOnce<T extends object>(works: { readonly [Key in keyof T]: () => T[Key] }): T {
  const known = new Map<keyof T, unknown>();
  const asked = {} as T;
  for (const key of Object.keys(works) as (keyof T)[])
    Object.defineProperty(asked, key, {
      enumerable: true,
      get: () => {
        if (!known.has(key)) known.set(key, works[key]());
        return known.get(key);
      },
    });
  return asked;
}

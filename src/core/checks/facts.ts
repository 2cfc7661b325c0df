import { contentKeys, type ContentKeys } from '@/core/compare/content-keys';
import { linkGraphOf, type LinkGraph, type NodeKey } from '@/core/links/graph';
import { placedNodes, reachableFrom } from '@/core/links/reachability';
import { z } from 'zod';
import type { CourseEvent, Shell } from '@/core/shell/model';
import { outlineOf, type Outline } from '@/core/shell/outline';
import { findRepeats, type Repeats } from './duplicate/repeats';
import { ownTerm, type OwnTerm } from '@/core/time/academic-term';
import type { NamedDate } from '@/core/text/named-dates';
import type { NamedTerm } from '@/core/text/named-terms';
import { carriedEvents, type CarriedReason } from './calendar/carried-events';
import type { HouseRules } from './house-rules';
import { eventGroups, type EventGroups } from './event-groups';
import { findNear, type NearGroup } from './duplicate/near-groups';
import { datesIn, passagesOf, termsIn, type Mention, type Passage } from './passages';
import { findSeries, type Series } from './structure/series';

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
  /** Events that a copy brought along, as the house rules set that check. */
  readonly carriedEvents: ReadonlyMap<CourseEvent, CarriedReason>;
  /** Refs of the events that checks before this one found something about. */
  readonly foundEvents: ReadonlySet<string>;
}

export function factsOf(shell: Shell, rules: HouseRules, foundEvents: ReadonlySet<string>): Facts {
  const fact = <T>(make: () => T): (() => T) => {
    let made: { value: T } | null = null;
    return () => (made ??= { value: make() }).value;
  };
  const links = fact(() => linkGraphOf(shell));
  const reached = fact(() => reachableFrom(links(), placedNodes(shell)));
  const keys = fact(() => contentKeys(shell, links()));
  const repeats = fact(() => findRepeats(shell, keys(), outlineOf(shell)));
  const groups = fact(() => eventGroups(shell.events));
  const passages = fact(() => passagesOf(shell));
  const dates = fact(() => datesIn(passages()));
  const terms = fact(() => termsIn(passages()));
  const term = fact(() => ownTerm(shell));
  const series = fact(() => findSeries(outlineOf(shell)));
  const carried = fact(() => {
    const own = z
      .object({ days: z.int().default(60), sharedShift: z.int().default(3) })
      .parse(rules.checks['calendar.carried-over'] ?? {});
    return carriedEvents(shell, own.days, own.sharedShift);
  });
  return {
    foundEvents,
    get carriedEvents() {
      return carried();
    },
    get outline() {
      return outlineOf(shell);
    },
    get links() {
      return links();
    },
    get reached() {
      return reached();
    },
    get contentKeys() {
      return keys();
    },
    get repeats() {
      return repeats();
    },
    get eventGroups() {
      return groups();
    },
    get passages() {
      return passages();
    },
    get namedDates() {
      return dates();
    },
    get namedTerms() {
      return terms();
    },
    get ownTerm() {
      return term();
    },
    get nearGroups() {
      return (threshold: number, words: number) => findNear(shell, keys(), threshold, words);
    },
    get series() {
      return series();
    },
  };
}

import { contentKeys, type ContentKeys } from '@/core/compare/content-keys';
import { linkGraphOf, type LinkGraph, type NodeKey } from '@/core/links/graph';
import { placedNodes, reachableFrom } from '@/core/links/reachability';
import type { Shell } from '@/core/shell/model';
import { outlineOf, type Outline } from '@/core/shell/outline';
import { findRepeats, type Repeats } from './duplicate/repeats';
import { eventGroups, type EventGroups } from './event-groups';

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
}

export function factsOf(shell: Shell): Facts {
  const fact = <T>(make: () => T): (() => T) => {
    let made: { value: T } | null = null;
    return () => (made ??= { value: make() }).value;
  };
  const links = fact(() => linkGraphOf(shell));
  const reached = fact(() => reachableFrom(links(), placedNodes(shell)));
  const keys = fact(() => contentKeys(shell, links()));
  const repeats = fact(() => findRepeats(shell, keys(), outlineOf(shell)));
  const groups = fact(() => eventGroups(shell.events));
  return {
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
  };
}

import { elementAt, valueFor } from '@/core/sure';
import type { ContentKeys } from '@/core/compare/content-keys';
import { textOfContent, wordingOf } from '@/core/links/scans';
import type { Content, Item, ItemKind, Shell } from '@/core/shell/model';
import { pairsOf } from '@/core/text/near-pairs';
import { wordCodes } from '@/core/text/shingles';

/** Items of one kind joined by near-equal texts; what is equal in content stands beside its equal. */
export interface NearGroup {
  readonly items: readonly Item[];
  /** Pairs that were counted, most similar first; refs and Jaccard similarity. */
  readonly pairs: readonly { readonly a: Item; readonly b: Item; readonly similarity: number }[];
}

const compared = new Set<ItemKind>(['page', 'assignment', 'quiz', 'discussion', 'announcement']);

/** Groups in outline order of their first item. */
export function findNear(shell: Shell, keys: ContentKeys, threshold: number, words: number): NearGroup[] {
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const byKind = new Map<ItemKind, Map<string, Same>>();
  const seen = new Set<string>();
  for (const item of shell.items) {
    if (!compared.has(item.kind) || item.content === null || seen.has(item.content)) continue;
    seen.add(item.content);
    const content = contents.get(item.content);
    if (!content || keys.words(item) < words) continue;
    const kind = byKind.get(item.kind) ?? new Map<string, Same>();
    byKind.set(item.kind, kind);
    const key = keys.of(item) ?? item.ref;
    const same = kind.get(key);
    if (same) same.items.push(item);
    else kind.set(key, { items: [item], content });
  }
  const order = new Map(shell.items.map((item, i) => [item, i]));
  const placeOf = ({ items }: NearGroup) => valueFor(order, elementAt(items, 0));
  return [...byKind.values()]
    .flatMap((kind) => groupsIn([...kind.values()], threshold))
    .sort((a, b) => placeOf(a) - placeOf(b));
}

/** Items that are equal in content, and a content that stands for them. */
interface Same {
  readonly items: Item[];
  readonly content: Content;
}

function groupsIn(texts: readonly Same[], threshold: number): NearGroup[] {
  const pairs = pairsOf(
    texts.map((t) => wordingOf(t.content).signature),
    (i) => wordCodes(textOfContent(elementAt(texts, i).content)),
    threshold,
  );
  const parent = texts.map((_, i) => i);
  const root = (i: number): number => {
    let at = i;
    for (;;) {
      const above = elementAt(parent, at);
      if (above === at) return at;
      // Each look shortens the way of the next.
      at = parent[at] = elementAt(parent, above);
    }
  };
  for (const { a, b } of pairs) parent[Math.max(root(a), root(b))] = Math.min(root(a), root(b));
  const groups = new Map<number, { members: number[]; pairs: typeof pairs }>();
  for (const pair of pairs) {
    const group = groups.get(root(pair.a)) ?? { members: [], pairs: [] };
    groups.set(root(pair.a), group);
    group.pairs.push(pair);
  }
  texts.forEach((_, i) => groups.get(root(i))?.members.push(i));
  const firstOf = (i: number) => elementAt(elementAt(texts, i).items, 0);
  return [...groups.values()].map((group) => ({
    items: group.members.flatMap((i) => elementAt(texts, i).items),
    pairs: group.pairs
      .map((p) => ({ a: firstOf(p.a), b: firstOf(p.b), similarity: p.similarity }))
      .sort((x, y) => y.similarity - x.similarity),
  }));
}

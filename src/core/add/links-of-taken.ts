import { contentNode, fileNode, type NodeKey } from '@/core/links/graph';
import type { Shell } from '@/core/shell/model';
import type { LedAddress } from './lead-addresses';
import type { TakenThings } from './taken-things';

/** A link of something taken that leads elsewhere than in the source, or nowhere. */
export interface TakenLink {
  /** Ref of the source. */
  readonly from: string;
  /** The address as the source spells it. */
  readonly to: string;
  /** What it leads to in the target; null where it would break. */
  readonly now: string | null;
}

/** The links of what is taken that change or would break. */
export function linksOfTaken(
  after: Shell,
  taken: TakenThings,
  led: readonly LedAddress[],
): readonly TakenLink[] {
  const fromOf = refsByNode(taken);
  const [now, before] = [refsByPath(after), refsByPath(taken.incoming)];
  return led.flatMap(({ node, written, found, goal }): TakenLink[] => {
    const leadsTo = now.get(goal ?? found) ?? null;
    if (goal === found && leadsTo === before.get(found)) return [];
    return [{ from: fromOf.get(node) ?? '', to: written, now: goal === null ? null : leadsTo }];
  });
}

/** The item, bank or file of the source that a text is of. */
function refsByNode({ incoming }: TakenThings): ReadonlyMap<NodeKey, string> {
  const refs = new Map<NodeKey, string>();
  for (const { ref, content } of [...incoming.items, ...incoming.banks])
    if (content !== null && !refs.has(contentNode(content))) refs.set(contentNode(content), ref);
  for (const { path } of incoming.files) refs.set(fileNode(path), path);
  return refs;
}

/** What stands at each path: a file, or the first item that shows it. */
function refsByPath(shell: Shell): ReadonlyMap<string, string> {
  const refs = new Map<string, string>();
  const paths = new Map(shell.contents.map(({ id, href, textPath }) => [id, [href, textPath]]));
  for (const { ref, content } of shell.items)
    for (const path of content === null ? [] : (paths.get(content) ?? []))
      if (path !== null && !refs.has(path)) refs.set(path, ref);
  for (const { path } of shell.files) if (!refs.has(path)) refs.set(path, path);
  return refs;
}

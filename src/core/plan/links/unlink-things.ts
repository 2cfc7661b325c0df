import { fileNode, linkGraphOf, type AddressEdge, type NodeKey } from '@/core/links/graph';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import type { ItemRef } from '@/core/refs/refs';
import type { WrittenAddress } from '@/core/text/scan-html';
import { takeOutAddresses } from '@/core/text/take-out-addresses';
import { mapped } from '@/core/plan/action/action';
import { isAttachment, withoutTexts } from './drop-text';
import { goalOf } from './goals';

export interface Unlinked {
  readonly shell: Shell;
  readonly rewritten: ReadonlyMap<NodeKey, number>;
}

/** Takes out every link to some things: addresses in texts and style sheets, dependencies and requirements. */
export function unlinkThings(shell: Shell, refs: ReadonlySet<string>): Unlinked {
  const graph = linkGraphOf(shell);
  const edges = new Map<NodeKey, AddressEdge[]>();
  const contents = new Set<string>();
  for (const ref of refs) {
    const goal = goalOf(shell, ref);
    if (goal?.content) contents.add(goal.content);
    for (const node of goal?.nodes ?? [])
      for (const edge of graph.incoming.get(node) ?? [])
        if (edge.kind === 'address' && edge.start >= 0) {
          const others = edges.get(edge.from);
          if (others) others.push(edge);
          else edges.set(edge.from, [edge]);
        }
  }
  const rewritten = new Map<NodeKey, number>();
  const changeContent = (content: Content): Content => {
    const node: NodeKey = `content:${content.id}`;
    const going = edges.get(node) ?? [];
    const dependencies = content.dependencies.some((id) => contents.has(id))
      ? content.dependencies.filter((id) => !contents.has(id))
      : content.dependencies;
    if (!going.length) return dependencies === content.dependencies ? content : { ...content, dependencies };
    rewritten.set(node, going.length);
    return { ...withoutEdges(content, going), dependencies };
  };
  const changeFile = (file: ShellFile): ShellFile => {
    const going = edges.get(fileNode(file.path));
    const scan = scanOfFile(file);
    if (!going || file.text === null || !scan) return file;
    rewritten.set(fileNode(file.path), going.length);
    const text = takeOutAddresses(file.text, at(scan.addresses, going), file.mediaType === 'text/css');
    return { ...file, text };
  };
  const next: Shell = {
    ...shell,
    contents: mapped(shell.contents, changeContent),
    files: mapped(shell.files, changeFile),
    items: mapped(shell.items, (item) =>
      item.requires.some((ref: ItemRef) => refs.has(ref))
        ? { ...item, requires: item.requires.filter((ref) => !refs.has(ref)) }
        : item,
    ),
  };
  return { shell: next, rewritten };
}

const at = (addresses: readonly WrittenAddress[], edges: readonly AddressEdge[]): WrittenAddress[] => {
  const starts = new Set(edges.map((edge) => edge.start));
  return addresses.filter((address) => starts.has(address.start));
};

function withoutEdges(content: Content, edges: readonly AddressEdge[]): Content {
  const scans = scansOfContent(content);
  const gone = new Set<number>();
  const texts = content.texts.map((text, n) => {
    const going = edges.filter((edge) => edge.text === n);
    if (!going.length) return text;
    if (content.kind !== 'page' && isAttachment(text)) gone.add(n);
    return takeOutAddresses(text, at(scans[n]?.addresses ?? [], going), false);
  });
  return withoutTexts({ ...content, texts }, gone);
}

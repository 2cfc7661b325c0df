import { fileNode, filesByContent, type NodeKey } from '@/core/links/graph';
import { contentOfShell, fileOfShell } from '@/core/shell/find-things';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ContentId, FilePath, ItemRef } from '@/core/refs/refs';

/** What links to a thing lead to: its nodes in the link graph, and the path that an address names. */
export interface LinkGoal {
  readonly nodes: readonly NodeKey[];
  readonly path: FilePath | null;
  readonly content: ContentId | null;
  readonly isFile: boolean;
}

/** Where links to an item or a file lead; null for what nothing can link to. */
export function goalOf(shell: Shell, ref: string): LinkGoal | null {
  const item = outlineOf(shell).byRef.get(ref as ItemRef);
  if (!item) {
    const file = fileOfShell(shell, ref);
    return file
      ? { nodes: [fileNode(file.path)], path: file.path, content: file.content, isFile: true }
      : null;
  }
  const content = contentOfShell(shell, item.content);
  if (!content) return { nodes: [], path: null, content: null, isFile: false };
  const owned = filesByContent(shell).get(content.id) ?? [];
  const opened = owned.filter((file) => content.kind === 'file' || file.path === content.href);
  return {
    nodes: [`content:${content.id}`, ...opened.map((file) => fileNode(file.path))],
    path: content.href ?? content.textPath,
    content: content.id,
    isFile: false,
  };
}

import type { Edit } from '../edits';

/** What one step came to: its edits, the targets that changed, and those that a guard holds back with the reason. */
export interface ActionResult {
  readonly edits: readonly Edit[];
  readonly done: ReadonlySet<string>;
  readonly blocked: ReadonlyMap<string, string>;
}

/** The refs of what replacing edits changed. */
export const changedRefs = (edits: readonly Edit[]): Set<string> =>
  new Set(
    edits.flatMap((e) =>
      e.op === 'replace' ? ['path' in e.before ? e.before.path : 'ref' in e.before ? e.before.ref : ''] : [],
    ),
  );

export const changing = (
  edits: readonly Edit[],
  blocked: ReadonlyMap<string, string> = new Map(),
): ActionResult => ({ edits, done: changedRefs(edits), blocked });

import { and, desc, eq } from 'drizzle-orm';
import type { Family } from '@/core/checks/finding/finding';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import { countThings, type ShellCounts } from '@/core/inventory/inventory';
import { audits, runs, shellRecipes, shells, versions } from '@/store/schema';
import type { CheckRow } from '@/core/checks/run/run-checks';
import type { Tally } from '@/services/keep/findings/kept-findings';
import { recipeProgress, type RecipeProgress } from '@/services/show/recipes/shell-recipe';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { inventoryOf } from '@/services/keep/shells/current-shell';
import { spellTerm } from '@/services/keep/shells/spell-term';

/** One line of the list of shells. */
export interface ShellLine {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly term: string;
  readonly things: number;
  readonly items: number;
  /** Null where it was not combed. */
  readonly percent: number | null;
  readonly open: Readonly<Record<Family, number>> | null;
  readonly openTotal: number;
  readonly combedAt: string | null;
  readonly runAt: string | null;
  readonly planSize: number;
  /** The recipe that it is worked through, and how far; null without one. */
  readonly recipe: RecipeProgress | null;
  readonly isDemo: boolean;
  /** The department whose house rules it goes by; null for those of the whole house. */
  readonly rulesId: string | null;
  /** When it was laid by; null for one that is worked on. */
  readonly laidByAt: string | null;
  /** What was kept of it is damaged: it is shown, and can be removed or brought in again, and nothing else. */
  readonly isDamaged: boolean;
}

/** Every shell, out of rows alone: no audit and no state of a shell is opened for it. */
export function listShells(folder: OpenFolder): ShellLine[] {
  const { db } = folder;
  const rows = db
    .select({ shell: shells, inventory: versions.inventory, versionId: versions.id })
    .from(shells)
    .innerJoin(versions, eq(versions.id, shells.versionId))
    .orderBy(shells.code, shells.createdAt)
    .all();
  const heads = new Map(
    db
      .select({ versionId: audits.versionId, tally: audits.tally, combedAt: audits.combedAt })
      .from(audits)
      .innerJoin(shells, and(eq(shells.versionId, audits.versionId), eq(audits.isDraft, false)))
      .orderBy(audits.combedAt)
      .all()
      .map((audit) => [audit.versionId, audit]),
  );
  const lastRuns = new Map(
    db
      .select({ shellId: runs.shellId, finishedAt: runs.finishedAt })
      .from(runs)
      .where(eq(runs.state, 'done'))
      .orderBy(desc(runs.finishedAt))
      .all()
      .reverse()
      .map((run) => [run.shellId, run.finishedAt]),
  );
  const recipes = recipesOf(folder);
  return rows.map(({ shell, inventory, versionId }) => {
    const known = { shell, runAt: lastRuns.get(shell.id) ?? null, recipe: recipes.get(shell.id) ?? null };
    try {
      return lineOf(known, inventoryOf({ inventory }).counts, heads.get(versionId));
    } catch (error) {
      // One row that can’t be read costs one shell, not the list.
      if (!isUnreadable(error)) throw error;
      return { ...lineOf(known, null, undefined), isDamaged: true };
    }
  });
}

const isUnreadable = (error: unknown): boolean =>
  error instanceof UnreadableStore || error instanceof SyntaxError || error instanceof TypeError;

/** How far each shell that has a recipe is with it. */
function recipesOf(folder: OpenFolder): ReadonlyMap<string, ShellLine['recipe']> {
  const rows = folder.db
    .select({ shell: shells, auditId: audits.id, checks: audits.checks })
    .from(shellRecipes)
    .innerJoin(shells, eq(shells.id, shellRecipes.shellId))
    .leftJoin(audits, and(eq(audits.versionId, shells.versionId), eq(audits.isDraft, false)))
    .orderBy(audits.combedAt)
    .all();
  return new Map(
    rows.map(({ shell, auditId, checks }) => {
      const audit =
        auditId === null ? null : { id: auditId, checks: JSON.parse(checks ?? '[]') as CheckRow[] };
      return [shell.id, recipeProgress(folder, { ...shell, audit })];
    }),
  );
}

interface KnownShell extends Pick<ShellLine, 'runAt' | 'recipe'> {
  readonly shell: typeof shells.$inferSelect;
}

function lineOf(
  { shell, runAt, recipe }: KnownShell,
  counts: ShellCounts | null,
  head: { readonly tally: string; readonly combedAt: string } | undefined,
): ShellLine {
  const tally = head ? (JSON.parse(head.tally) as Tally) : null;
  return {
    id: shell.id,
    code: shell.code,
    title: shell.title,
    term: spellTerm(shell),
    things: counts ? countThings(counts) : 0,
    items: counts?.items ?? 0,
    percent: tally?.smoothness.percent ?? null,
    open: tally?.open ?? null,
    openTotal: tally?.total ?? 0,
    combedAt: head?.combedAt ?? null,
    runAt,
    planSize: shell.planSize,
    recipe,
    isDemo: shell.isDemo,
    rulesId: shell.rulesId,
    laidByAt: shell.laidByAt,
    isDamaged: false,
  };
}

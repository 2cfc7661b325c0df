import { desc, eq } from 'drizzle-orm';
import type { Family } from '@/core/checks/finding';
import { countThings } from '@/core/shell/inventory';
import { audits, runs, shells, versions } from '@/store/schema';
import type { Tally } from '../comb/kept-findings';
import type { Context } from '../context';
import { inventoryOf } from './current-shell';
import { spellTerm } from './frame-view';

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
  readonly isDemo: boolean;
}

/** Every shell, out of rows alone: no audit and no state of a shell is opened for it. */
export function listShells({ db }: Context): ShellLine[] {
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
      .innerJoin(shells, eq(shells.versionId, audits.versionId))
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
  return rows.map(({ shell, inventory, versionId }) => {
    const { counts } = inventoryOf({ inventory });
    const head = heads.get(versionId);
    const tally = head ? (JSON.parse(head.tally) as Tally) : null;
    return {
      id: shell.id,
      code: shell.code,
      title: shell.title,
      term: spellTerm(shell),
      things: countThings(counts),
      items: counts.items,
      percent: tally?.smoothness.percent ?? null,
      open: tally?.open ?? null,
      openTotal: tally?.total ?? 0,
      combedAt: head?.combedAt ?? null,
      runAt: lastRuns.get(shell.id) ?? null,
      planSize: shell.planSize,
      isDemo: shell.isDemo,
    };
  });
}

import { families, type Family } from '@/core/checks/finding';
import type { Context } from '../context';
import { spellTerm } from './frame-view';
import { allShells, inventoryOf, runsOf } from './current-shell';

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
}

export function listShells(context: Context): ShellLine[] {
  return allShells(context).map((shell) => {
    const { counts } = inventoryOf(shell.version);
    return {
      id: shell.row.id,
      code: shell.row.code,
      title: shell.row.title,
      term: spellTerm(shell.row),
      things:
        counts.items +
        counts.files +
        counts.events +
        counts.gradeCategories +
        counts.gradeColumns +
        counts.banks +
        counts.homePages,
      items: counts.items,
      percent: shell.smoothness?.percent ?? null,
      open: shell.kept
        ? (Object.fromEntries(
            families.map((f) => [f, shell.open.filter((o) => o.family === f).length]),
          ) as Record<Family, number>)
        : null,
      openTotal: shell.open.length,
      combedAt: shell.kept?.combedAt ?? null,
      runAt: runsOf(context, shell.row.id).find((r) => r.state === 'done')?.finishedAt ?? null,
      planSize: shell.plan.size,
    };
  });
}

import { eq, ne } from 'drizzle-orm';
import type { ShellComparison } from '@/core/two-shells/compare-shells';
import { comparisons, shells } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { parseKept } from '@/services/keep/rows/parse-kept';

/** Another shell of the list. */
export interface OtherShell {
  readonly id: string;
  readonly name: string;
}
export interface ComparedShell extends OtherShell {
  readonly at: string;
  /** One of the two was changed since. */
  readonly isStale: boolean;
  readonly comparison: ShellComparison;
}
/** What the comparison of a shell shows. */
export interface CompareView {
  readonly id: string;
  readonly name: string;
  readonly onHost: boolean;
  readonly others: readonly OtherShell[];
  readonly compared: readonly ComparedShell[];
}

export function compareView({ db }: OpenFolder, { row, version }: CurrentShell): CompareView {
  const others = db
    .select()
    .from(shells)
    .where(ne(shells.id, row.id))
    .orderBy(shells.code, shells.createdAt)
    .all();
  const kept = db
    .select()
    .from(comparisons)
    .innerJoin(shells, eq(shells.id, comparisons.otherId))
    .where(eq(comparisons.shellId, row.id))
    .orderBy(shells.code, shells.createdAt)
    .all();
  return {
    id: row.id,
    name: nameOf(row),
    onHost: row.hostId !== null,
    others: others.map((other) => ({ id: other.id, name: nameOf(other) })),
    compared: kept.map(({ comparisons: one, shells: other }) => ({
      id: other.id,
      name: nameOf(other),
      at: one.comparedAt,
      isStale: one.versionId !== version.id || one.otherVersionId !== other.versionId,
      comparison: parseKept<ShellComparison>(one.comparison, 'What was compared'),
    })),
  };
}

const nameOf = ({ code, title, termTitle }: typeof shells.$inferSelect): string =>
  [code, title, termTitle].filter((text) => text !== '').join(' · ');

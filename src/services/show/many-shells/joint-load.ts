import { putEntry } from '@/core/entries';
import { compareText } from '@/core/compare-text';
import type { LocalDate } from '@/core/dates/local-date';
import { recallEye } from '@/services/keep/findings/kept-eye';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** One calendar week of all the shells: what is due in each of them. */
export interface JointWeek {
  readonly monday: LocalDate;
  /** By shell; one that has nothing due is left out. */
  readonly due: Readonly<Record<string, number>>;
  readonly total: number;
}
export interface JointLoad {
  readonly shells: readonly { readonly id: string; readonly name: string }[];
  /** Shells that were not combed, or have no term: nothing is known of their weeks. */
  readonly unknown: readonly { readonly id: string; readonly name: string }[];
  readonly weeks: readonly JointWeek[];
}

/** What students who take all these shells together have to hand in, week by week, as students see it. */
export function jointLoad({ db }: OpenFolder, shells: readonly CurrentShell[]): JointLoad {
  const known: { id: string; name: string }[] = [];
  const unknown: { id: string; name: string }[] = [];
  const weeks = new Map<LocalDate, Record<string, number>>();
  for (const { row, audit } of shells) {
    const about = { id: row.id, name: row.code || row.title };
    const strip = audit ? (recallEye(db, audit.id)?.strip ?? []) : [];
    (strip.length ? known : unknown).push(about);
    for (const { monday, due } of strip) {
      const week = weeks.get(monday) ?? {};
      if (due > 0) putEntry(week, row.id, due);
      weeks.set(monday, week);
    }
  }
  return {
    shells: known,
    unknown,
    weeks: [...weeks]
      .sort(([a], [b]) => compareText(a, b))
      .map(([monday, due]) => ({ monday, due, total: Object.values(due).reduce((sum, n) => sum + n, 0) })),
  };
}

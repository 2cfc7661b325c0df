import { sql } from 'drizzle-orm';
import type { CheckRow } from '@/core/checks/run/run-checks';
import { openingDay } from '@/core/opening-day/opening-day';
import type { RecipeFacts } from '@/core/recipes/recipe';
import { summaryOf } from '@/services/keep/runs/run-summary';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import { runsOf, type RunRow } from '@/services/keep/shells/current-shell';

/** Of a shell’s row and its audit, what its recipe is worked out from. */
export interface RecipeSubject {
  readonly id: string;
  readonly code: string;
  readonly planSize: number;
  readonly audit: { readonly id: string; readonly checks: readonly CheckRow[] } | null;
}

interface CountRow {
  readonly check: string;
  readonly urgency: string;
  readonly kind: string | null;
  readonly isPlanned: number;
  readonly count: number;
}

/** Out of rows alone, so that a list of shells can ask it of each. */
export function recipeFacts(folder: OpenFolder, subject: RecipeSubject): RecipeFacts {
  const { audit, planSize } = subject;
  const rows = audit ? openRows(folder, subject, audit.id) : [];
  const undecided = rows.filter(({ isPlanned }) => isPlanned === 0);
  const runs = runsOf(folder, subject.id).filter(({ state, kind }) => state === 'done' && kind !== 'undo');
  const answers = openingDay(audit?.checks ?? [], countBy(rows), (check) => check);
  return {
    isCombed: audit !== null,
    undecided: countBy(undecided),
    fixFirst: sum(undecided.filter(({ urgency }) => urgency === 'fix-first')),
    safe: sum(undecided.filter(({ kind }) => kind === 'safe')),
    planSize,
    runs: runs.length,
    inTheWay: answers.filter(({ state }) => state === 'no').length,
    unchecked: answers.filter(({ state }) => state === 'partly' || state === 'not-asked').length,
    leftByReset: leftByReset(runs),
  };
}

/** Open findings, parts of larger ones aside, counted by what a recipe asks. */
const openRows = ({ db }: OpenFolder, subject: RecipeSubject, auditId: string): CountRow[] =>
  db.all<CountRow>(sql`
    SELECT f."check" AS "check", json_extract(f.listed, '$.urgency') AS urgency,
      json_extract(f.listed, '$.remedy.kind') AS kind, p.finding_id IS NOT NULL AS isPlanned, count(*) AS count
    FROM findings f
    LEFT JOIN leave_bes l ON l.course = ${courseOf(subject)} AND l."check" = f."check" AND l.substance = f.substance
    LEFT JOIN (SELECT DISTINCT finding_id FROM plan_steps WHERE shell_id = ${subject.id}) p ON p.finding_id = f.id
    WHERE f.audit_id = ${auditId} AND l.course IS NULL AND json_extract(f.listed, '$.coveredBy') IS NULL
    GROUP BY 1, 2, 3, 4`);

const sum = (rows: readonly CountRow[]): number => rows.reduce((all, { count }) => all + count, 0);

function countBy(rows: readonly CountRow[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { check, count } of rows) counts.set(check, (counts.get(check) ?? 0) + count);
  return counts;
}

/** What the last reset left of what was to go; null where nothing was reset. */
function leftByReset(runs: readonly RunRow[]): number | null {
  for (const run of runs) {
    const { emptiness } = summaryOf(run);
    if (emptiness) return emptiness.left - emptiness.kept;
  }
  return null;
}

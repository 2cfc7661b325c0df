import type { OpenFolder } from '../open-folder';
import { spellDate, type LocalDate } from '@/core/time/local-date';
import { and, eq, sql } from 'drizzle-orm';
import { findings, planSteps } from '@/store/schema';
import { isRehearsed } from '../rehearse/order-rehearsal';
import { recipeProgress } from '../recipes/shell-recipe';
import { courseOf } from './course';
import { inventoryOf, runsOf, type CurrentShell } from './current-shell';

/** A term in one line: its title, else its days, else that nobody told. */
export function spellTerm(row: {
  termTitle: string;
  termStart: string | null;
  termEnd: string | null;
}): string {
  if (row.termTitle) return row.termTitle;
  if (row.termStart && row.termEnd)
    return `${spellDate(row.termStart as LocalDate)} to ${spellDate(row.termEnd as LocalDate)}`;
  return 'term not known';
}

const clock = (iso: string, now: Date): string => {
  const when = new Date(iso);
  const two = (n: number) => String(n).padStart(2, '0');
  const time = `${two(when.getHours())}:${two(when.getMinutes())}`;
  return when.toDateString() === now.toDateString()
    ? `today ${time}`
    : `${when.getDate()}.${when.getMonth() + 1}. ${time}`;
};

/** What the frame says on every screen of this shell. */
export function frameView(folder: OpenFolder, shell: CurrentShell, now: Date) {
  const { row, version, audit, plan, smoothness } = shell;
  const last = runsOf(folder, row.id).find((r) => r.state === 'done');
  return {
    id: row.id,
    code: row.code,
    title: row.title,
    term: spellTerm(row),
    role: row.role,
    planSize: plan.size,
    recipe: recipeProgress(folder, { id: row.id, code: row.code, planSize: plan.size, audit }),
    states: {
      'bring-in': `${inventoryOf(version).counts.items} items`,
      comb: audit ? clock(audit.combedAt, now) : 'not yet',
      // As the workbench counts: what is in the plan is decided.
      decide: audit ? `${undecidedOf(folder, shell)} open` : '–',
      rehearse: rehearsedWord(folder, shell),
      'carry-out': last?.finishedAt ? clock(last.finishedAt, now) : '–',
      prove: smoothness ? `${smoothness.percent} % smooth` : '–',
    },
  };
}

function rehearsedWord(folder: OpenFolder, shell: CurrentShell): string {
  if (shell.plan.size === 0) return '–';
  return isRehearsed(folder, shell) ? 'rehearsed' : 'not yet';
}

/** How many open findings, parts of larger ones aside, nothing was decided about: the plan does something about the others. */
export function undecidedOf({ db }: OpenFolder, { row, audit }: CurrentShell): number {
  if (!audit) return 0;
  const known = db
    .select({ id: findings.id })
    .from(planSteps)
    .innerJoin(findings, and(eq(findings.auditId, audit.id), eq(findings.id, planSteps.findingId)))
    .where(and(eq(planSteps.shellId, row.id), sql`json_extract(${findings.listed}, '$.coveredBy') IS NULL`))
    .all();
  const waits = db.get<{ n: number }>(
    sql`SELECT count(*) AS n FROM waiting w JOIN findings f
        ON f.audit_id = ${audit.id} AND f."check" = w."check" AND f.substance = w.substance
        WHERE w.course = ${courseOf(row)} AND json_extract(f.listed, '$.coveredBy') IS NULL`,
  );
  return audit.tally.total - known.length - waits.n;
}

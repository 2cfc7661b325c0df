import { and, asc, eq, inArray } from 'drizzle-orm';
import type { Family, ListedFinding, RemedyAction, Urgency } from '@/core/checks/finding/finding';
import { partsOf } from '@/core/checks/finding/parts';
import { checkById } from '@/core/checks/run/registry';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { findings, leaveBes, planSteps, waiting } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** A finding in one of the shells. */
export interface FoundIn {
  readonly shell: string;
  readonly finding: string;
  readonly title: string;
  /** Where its first thing stands, outermost first. */
  readonly path: readonly string[];
}
/** The same check about the same substance, in one shell or in many. */
export interface SameFinding {
  readonly check: string;
  readonly substance: string;
  readonly checkTitle: string;
  readonly family: Family;
  readonly urgency: Urgency;
  /** As the first of the shells words it. */
  readonly title: string;
  /** What its remedy does; null where it has none. */
  readonly action: RemedyAction | null;
  readonly in: readonly FoundIn[];
}
export interface SameFindings {
  readonly shells: readonly { readonly id: string; readonly name: string; readonly isCombed: boolean }[];
  /** What stands in most shells comes first. */
  readonly findings: readonly SameFinding[];
}

/** What is open in several shells, the same finding together: one decision may be taken for all of them. */
export function sameFindings(folder: OpenFolder, shells: readonly CurrentShell[]): SameFindings {
  const groups = new Map<string, SameFinding & { readonly in: FoundIn[] }>();
  for (const shell of shells) {
    for (const { check, substance, listed } of undecidedIn(folder, shell)) {
      const { id, title, subjects } = listed;
      const found = { shell: shell.row.id, finding: id, title, path: subjects[0]?.path ?? [] };
      const key = `${check} ${substance}`;
      const group = groups.get(key);
      if (group) group.in.push(found);
      else groups.set(key, { ...about(check, substance, listed), in: [found] });
    }
  }
  return {
    shells: shells.map(({ row, audit }) => ({
      id: row.id,
      name: nameOfShell(row),
      isCombed: audit !== null,
    })),
    findings: [...groups.values()].sort((a, b) => shellsOf(b) - shellsOf(a)),
  };
}

/** In how many shells it stands. */
export const shellsOf = (same: SameFinding): number => new Set(same.in.map(({ shell }) => shell)).size;

function about(check: string, substance: string, listed: ListedFinding): Omit<SameFinding, 'in'> {
  const { family, urgency, title, remedy } = listed;
  const checkTitle = checkById(check)?.title ?? check;
  return { check, substance, checkTitle, family, urgency, title, action: remedy?.action ?? null };
}

interface Undecided {
  readonly check: string;
  readonly substance: string;
  readonly listed: ListedFinding;
}

/** The findings of a shell that nothing was decided about, those aside that a larger one explains. */
function undecidedIn({ db }: OpenFolder, { row, audit }: CurrentShell): readonly Undecided[] {
  if (!audit) return [];
  const course = courseOf(row);
  const key = (one: { readonly check: string; readonly substance: string }) =>
    `${one.check} ${one.substance}`;
  const decided = new Set([
    ...db.select().from(leaveBes).where(eq(leaveBes.course, course)).all().map(key),
    ...db.select().from(waiting).where(eq(waiting.course, course)).all().map(key),
  ]);
  const planned = new Set(
    db
      .select({ finding: planSteps.findingId })
      .from(planSteps)
      .where(eq(planSteps.shellId, row.id))
      .all()
      .map(({ finding }) => finding),
  );
  const found = db
    .select({
      id: findings.id,
      check: findings.check,
      substance: findings.substance,
      listed: findings.listed,
    })
    .from(findings)
    .where(eq(findings.auditId, audit.id))
    .orderBy(asc(findings.place))
    .all()
    .map(({ listed, ...one }) => ({ ...one, listed: JSON.parse(listed) as ListedFinding }));
  const parts = partsOf(found.map(({ listed }) => listed));
  return found.filter((one) => !decided.has(key(one)) && !planned.has(one.id) && !parts.has(one.listed));
}

/** The ids, in one shell, of findings that are the same as these. */
export function idsIn(
  { db }: OpenFolder,
  { audit }: CurrentShell,
  wanted: readonly { readonly check: string; readonly substance: string }[],
): readonly string[] {
  if (!audit) return [];
  const keys = new Set(wanted.map(({ check, substance }) => `${check} ${substance}`));
  const checks = [...new Set(wanted.map(({ check }) => check))];
  return db
    .select({ id: findings.id, check: findings.check, substance: findings.substance })
    .from(findings)
    .where(and(eq(findings.auditId, audit.id), inArray(findings.check, checks)))
    .all()
    .filter(({ check, substance }) => keys.has(`${check} ${substance}`))
    .map(({ id }) => id);
}

import { and, eq, sql } from 'drizzle-orm';
import {
  families,
  listed,
  type Evidence,
  type Family,
  type Finding,
  type FindingMessage,
  type ListedFinding,
} from '@/core/checks/finding/finding';
import { nothingUnlisted, type Unlisted } from '@/core/checks/finding/listed-share';
import { partsOf } from '@/core/checks/finding/parts';
import type { CheckRow } from '@/core/checks/run/run-checks';
import { smoothnessOf, type Smoothness } from '@/core/checks/finding/smoothness';
import { chainsOf, type Chain, type ChainTo } from '@/core/links/chains';
import { linkGraphOf } from '@/core/links/graph';
import { keepAnother } from '@/core/remedies/keep-another';
import { otherRemedies, type OtherRemedy } from '@/core/remedies/other-remedies';
import { stepOfFinding } from '@/core/remedies/steps-of-remedy';
import type { Step } from '@/core/plan/step';
import { makeStep } from '@/core/plan/written-step';
import type { ShellCounts } from '@/core/inventory/inventory';
import type { Shell } from '@/core/shell/model';
import type { Db, Transaction } from '@/store/database';
import { inList } from '@/store/in-list';
import { audits, findings, leaveBes } from '@/store/schema';

/** A finding as it is kept: what lists show, what proves it, and the steps that it may become, apart. */
export interface FindingRow {
  readonly id: string;
  readonly check: string;
  readonly family: string;
  readonly substance: string;
  readonly message: string;
  readonly listed: string;
  readonly evidence: string;
  readonly step: string | null;
  readonly others: string;
  readonly chain: string | null;
}

/** What else may be done about a finding: the button’s words, and the step as it is kept in the plan. */
export interface KeptOther {
  readonly label: string;
  /** The thing that stays by it, where it is the same remedy with another keeper. */
  readonly keeps?: string;
  readonly step: Step;
}

/** The rows of an audit, made in the thread that combed: the thread that answers requests only writes them. */
export function* rowsOf(shell: Shell, listed: readonly Finding[]): Generator<FindingRow> {
  const chainTo = chainsOf(shell, linkGraphOf(shell));
  for (const finding of listed) yield rowOf(shell, finding, chainTo);
}

function rowOf(shell: Shell, finding: Finding, chainTo: ChainTo): FindingRow {
  const step = stepOfFinding(shell, finding);
  const others = [...otherRemedies(finding), ...keepAnother(shell, finding)].flatMap((other) =>
    keptOther(shell, finding.id, other),
  );
  return {
    id: finding.id,
    check: finding.check,
    family: finding.family,
    substance: finding.substance,
    message: JSON.stringify(finding.message),
    listed: JSON.stringify({ ...listed(finding), ...offersOf(others) }),
    evidence: JSON.stringify(finding.evidence),
    step: step === null ? null : JSON.stringify(step),
    others: JSON.stringify(others),
    chain: chainKept(finding, chainTo),
  };
}

/** The actions that a finding offers beside its remedy; with another keeper it is the same remedy. */
function offersOf(others: readonly KeptOther[]): Pick<ListedFinding, 'offers'> {
  const offers = others.flatMap(({ keeps, step }) => (keeps === undefined ? [step.action] : []));
  return offers.length === 0 ? {} : { offers };
}

/** Of a finding about one item or file, what leads to it. */
function chainKept({ subjects }: Finding, chainTo: ChainTo): string | null {
  const [subject] = subjects;
  if (subjects.length !== 1 || (subject?.type !== 'item' && subject?.type !== 'file')) return null;
  return JSON.stringify({ leads: chainTo(subject) } satisfies KeptChain);
}

/** What leads to the one thing of a finding; null where nothing in the outline does. */
export interface KeptChain {
  readonly leads: Chain | null;
}

function keptOther(shell: Shell, from: string, { step, ...said }: OtherRemedy): KeptOther[] {
  const result = makeStep(shell, { ...step, from });
  return result.ok ? [{ ...said, step: result.value }] : [];
}

/** Writes rows of an audit from a place on. One statement for all: building it anew for each costs more than writing. */
export function writeFindings(
  tx: Transaction,
  auditId: string,
  place: number,
  rows: readonly FindingRow[],
): void {
  const insert = tx
    .insert(findings)
    .values({
      auditId,
      place: sql.placeholder('place'),
      id: sql.placeholder('id'),
      check: sql.placeholder('check'),
      family: sql.placeholder('family'),
      substance: sql.placeholder('substance'),
      message: sql.placeholder('message'),
      listed: sql.placeholder('listed'),
      evidence: sql.placeholder('evidence'),
      step: sql.placeholder('step'),
      others: sql.placeholder('others'),
      chain: sql.placeholder('chain'),
    })
    .prepare();
  rows.forEach((row, at) => insert.run({ ...row, place: place + at }));
}

/** What is open of an audit: by family, in all, and how smooth that leaves the shell. */
export interface Tally {
  /** Without the parts of larger findings, as is `total`. */
  readonly open: Readonly<Record<Family, number>>;
  readonly total: number;
  /** Findings that a larger one explains. */
  readonly parts: number;
  readonly smoothness: Smoothness;
  /** What was found and is not among them; missing where everything is listed. */
  readonly unlisted?: Unlisted;
}

type Reader = Db | Transaction;
const wasLeftBe = (course: string) =>
  and(
    eq(leaveBes.course, course),
    eq(leaveBes.check, findings.check),
    eq(leaveBes.substance, findings.substance),
  );

/** What a finding is put together from. */
const wholeColumns = {
  listed: findings.listed,
  message: findings.message,
  evidence: findings.evidence,
  substance: findings.substance,
};
type WholeRow = Readonly<Record<keyof typeof wholeColumns, string>>;

function selectFindings(db: Reader, auditId: string, course: string, state: 'open' | 'left-be') {
  const isLeft = state === 'left-be' ? sql`${leaveBes.course} IS NOT NULL` : sql`${leaveBes.course} IS NULL`;
  return db
    .select(wholeColumns)
    .from(findings)
    .leftJoin(leaveBes, wasLeftBe(course))
    .where(and(eq(findings.auditId, auditId), isLeft))
    .orderBy(findings.place)
    .all();
}

/** The findings of an audit as lists show them: those that are open, or those that were left be. */
export const listedFindings = (
  db: Reader,
  auditId: string,
  course: string,
  state: 'open' | 'left-be',
): ListedFinding[] =>
  selectFindings(db, auditId, course, state).map((row) => JSON.parse(row.listed) as ListedFinding);

/** The findings of an audit whole, for reports and comparisons. */
export const wholeFindings = (
  db: Reader,
  auditId: string,
  course: string,
  state: 'open' | 'left-be',
): Finding[] => selectFindings(db, auditId, course, state).map(wholeOf);

const wholeOf = (row: WholeRow): Finding => ({
  ...(JSON.parse(row.listed) as ListedFinding),
  message: JSON.parse(row.message) as FindingMessage,
  evidence: JSON.parse(row.evidence) as Evidence[],
  substance: row.substance,
});

/** Every finding of an audit, whatever was decided. */
export const allFindings = (db: Reader, auditId: string): Finding[] =>
  db
    .select(wholeColumns)
    .from(findings)
    .where(eq(findings.auditId, auditId))
    .orderBy(findings.place)
    .all()
    .map(wholeOf);

export function findingById(db: Reader, auditId: string, id: string) {
  const row = db
    .select()
    .from(findings)
    .where(and(eq(findings.auditId, auditId), eq(findings.id, id)))
    .get();
  return row
    ? {
        ...wholeOf(row),
        step: stepOf(row.step),
        others: JSON.parse(row.others) as KeptOther[],
        chain: row.chain === null ? null : (JSON.parse(row.chain) as KeptChain),
      }
    : null;
}

const stepOf = (text: string | null): Step | null => (text === null ? null : (JSON.parse(text) as Step));

/** The rows of some findings, in the order asked for; those that the audit does not have are missing. */
export function findingRows(db: Reader, auditId: string, ids: readonly string[]) {
  const found = db
    .select()
    .from(findings)
    .where(and(eq(findings.auditId, auditId), inList(findings.id, ids)))
    .all();
  const byId = new Map(found.map((row) => [row.id, row]));
  return ids.map((id) => byId.get(id)).filter((row) => row !== undefined);
}

export const tallyOf = (
  db: Reader,
  auditId: string,
  course: string,
  counts: ShellCounts,
  unlisted?: Unlisted,
): Tally => tallyOfFindings(listedFindings(db, auditId, course, 'open'), counts, unlisted);

/** Whether any finding of an audit was left be. */
export const isAnyLeftBe = (db: Reader, auditId: string, course: string): boolean =>
  db
    .select({ id: findings.id })
    .from(findings)
    .innerJoin(leaveBes, wasLeftBe(course))
    .where(eq(findings.auditId, auditId))
    .limit(1)
    .get() !== undefined;

type Counted = Pick<Finding, 'id' | 'coveredBy' | 'family' | 'subjects' | 'keep'>;

/** The tally of findings that are all open. */
export function tallyOfFindings(
  open: readonly Counted[],
  counts: ShellCounts,
  unlisted: Unlisted = nothingUnlisted,
): Tally {
  const byFamily = Object.fromEntries(families.map((family) => [family, 0])) as Record<Family, number>;
  const parts = partsOf(open);
  for (const finding of open) if (!parts.has(finding)) byFamily[finding.family] += 1;
  return {
    open: byFamily,
    total: open.length - parts.size,
    parts: parts.size,
    smoothness: smoothnessOf(counts, open, unlisted.things),
    ...(unlisted.findings > 0 ? { unlisted } : {}),
  };
}

/** Brings the tallies of some audits up to what was decided. */
export function tallyAgain(tx: Transaction, auditIds: readonly string[], course: string): void {
  for (const id of auditIds) {
    const audit = tx
      .select({ counts: audits.counts, tally: audits.tally })
      .from(audits)
      .where(eq(audits.id, id))
      .get();
    if (!audit) continue;
    const { unlisted } = JSON.parse(audit.tally) as Partial<Tally>;
    const tally = tallyOf(tx, id, course, JSON.parse(audit.counts) as ShellCounts, unlisted);
    tx.update(audits)
      .set({ tally: JSON.stringify(tally) })
      .where(eq(audits.id, id))
      .run();
  }
}

export const readChecks = (text: string): CheckRow[] => JSON.parse(text) as CheckRow[];

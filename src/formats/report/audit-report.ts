import { checkById } from '@/core/checks/run/registry';
import { familyTitles, families, urgencyTitles, type Finding } from '@/core/checks/finding/finding';
import type { Audit } from '@/core/checks/run/run-checks';
import { smoothnessOf } from '@/core/checks/finding/smoothness';
import type { StepResult } from '@/core/plan/results';
import type { Shell } from '@/core/shell/model';
import type { IntakeNote } from '@/core/shell/result';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { spellDate } from '@/core/dates/local-date';
import { tableOf, type Report, type ReportTable } from './model/report';

export interface AuditReportInput {
  readonly shell: Shell;
  readonly intake: readonly IntakeNote[];
  readonly audit: Audit;
  /** Where the report is about a cleaning: the audit before it and what was done. */
  readonly before?: Audit;
  readonly results?: readonly StepResult[];
}
/** So many pieces of evidence and titles are written out. */
const mostEvidence = 5;
const mostTitles = 12;

/** What was found in a shell, and what was done where it was cleaned. */
export function auditReport({ shell, intake, audit, before, results = [] }: AuditReportInput): Report {
  const now = smoothnessOf(audit.counts, audit.findings);
  const was = before ? `${smoothnessOf(before.counts, before.findings).percent} % smooth before, ` : '';
  const share = `${now.percent} % smooth${before ? ' now' : ''}`;
  return {
    schema: 'currycomb.report/1',
    of: 'audit',
    title: `${nameOfShell(shell)}: what Currycomb found`,
    about: aboutShell(shell),
    figure: `${was}${share}: ${now.smooth} of ${now.total} things have no open finding.`,
    tables: [
      ...doneTable(results),
      ...familyTable(audit.findings, before?.findings),
      ...families.flatMap((family) => findingTable(family, audit.findings)),
      ...otherChecksTable(audit),
      ...intakeTable(intake),
    ],
    signatures: [],
  };
}

export function aboutShell({ term, asOf }: Pick<Shell, 'term' | 'asOf'>): string[] {
  const { start, end, title } = term;
  const days = start && end ? `${spellDate(start)} to ${spellDate(end)}` : 'term dates not known';
  return [`${title ? `${title}, ` : ''}${days}. As of ${spellDate(asOf)}.`];
}

const doneTable = (results: readonly StepResult[]): ReportTable[] =>
  tableOf(
    'done',
    'What was done',
    ['Step', 'On', 'Count', 'Outcome'],
    results.map(({ step, titles, outcome, reason }) => [
      step.action,
      firstOf(titles),
      titles.length,
      reason ? `${outcome}: ${reason}` : outcome,
    ]),
  );

/** The first titles and how many more. */
export function firstOf(titles: readonly string[]): string {
  const more = titles.length - mostTitles;
  return `${titles.slice(0, mostTitles).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

type Counted = Pick<Finding, 'family'>;

/** Findings by family, open now, and before where that is known. */
export function familyTable(now: readonly Counted[], before: readonly Counted[] | undefined): ReportTable[] {
  const count = (list: readonly Counted[], family: string) =>
    list.filter((finding) => finding.family === family).length;
  return tableOf(
    'families',
    'Findings by family',
    before ? ['Family', 'Before', 'Now'] : ['Family', 'Open'],
    families.map((family) => [
      familyTitles[family],
      ...(before ? [count(before, family)] : []),
      count(now, family),
    ]),
  );
}

const findingTable = (family: Finding['family'], findings: readonly Finding[]): ReportTable[] =>
  tableOf(
    family,
    familyTitles[family],
    ['Urgency', 'Finding', 'Check', 'Evidence'],
    findings
      .filter((finding) => finding.family === family)
      .map(({ urgency, title, check, coveredBy, evidence }) => [
        urgencyTitles[urgency],
        title,
        `${checkById(check)?.title ?? check}${coveredBy ? ', part of a larger finding' : ''}`,
        evidence
          .slice(0, mostEvidence)
          .map(({ label, value }) => `${label}: ${value}`)
          .join('\n'),
      ]),
  );

/** Answers that are never mixed up. */
function otherChecksTable(audit: Audit): ReportTable[] {
  const rows = audit.checks.flatMap(({ check, outcome }): string[][] => {
    const title = checkById(check)?.title ?? check;
    switch (outcome.state) {
      case 'found':
        return [];
      case 'nothing-found':
        return [[title, 'nothing found', '']];
      case 'not-applicable':
        return [[title, 'not applicable', outcome.reason]];
      case 'not-asked':
        return [[title, 'not asked yet', outcome.reason]];
      case 'could-not-run':
        return [[title, 'could not run', outcome.reason]];
      case 'switched-off':
        return [[title, 'switched off in the house rules', '']];
    }
  });
  return tableOf('other-checks', 'Other checks', ['Check', 'Answer', 'Why'], rows);
}

const intakeTable = (intake: readonly IntakeNote[]): ReportTable[] =>
  tableOf(
    'intake',
    'Intake report',
    ['What the reader noticed', 'Where'],
    intake.map(({ message, where }) => [message, where]),
  );

/** The findings as one table, with the kind of each, for a spreadsheet. */
export const wholeFindingTable = (findings: readonly Finding[]): ReportTable[] =>
  tableOf(
    'findings',
    'All findings',
    ['Family', 'Urgency', 'Check', 'Finding', 'About', 'Evidence'],
    findings.map(({ family, urgency, check, title, subjects, evidence }) => [
      familyTitles[family],
      urgencyTitles[urgency],
      checkById(check)?.title ?? check,
      title,
      subjects
        .slice(0, mostTitles)
        .map((subject) => subject.title)
        .join('\n'),
      evidence
        .slice(0, mostEvidence)
        .map(({ label, value }) => `${label}: ${value}`)
        .join('\n'),
    ]),
  );

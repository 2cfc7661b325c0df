import { entryOf } from '@/core/entries';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { auditReport, aboutShell, wholeFindingTable } from '@/formats/report/audit-report';
import type { Report } from '@/formats/report/model/report';
import { runReport } from '@/formats/report/run-report';
import { signOffReport, type Decided } from '@/formats/report/sign-off-report';
import type { LocalDate } from '@/core/dates/local-date';
import { loadBareShell } from '@/store/state/keep-shell';
import { ledgerOf } from '@/services/keep/runs/ledger';
import { runNumbers } from '@/services/keep/runs/run-numbers';
import { summaryOf } from '@/services/keep/runs/run-summary';
import { workOrderCounts } from '@/services/show/carry-out/work-order';
import { combView } from '@/services/show/comb/comb-view';
import { wholeFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { leftBeReasons, waitingFindings } from '@/services/do/decide/decisions';
import { answersTaken } from '@/services/do/decide/questions';
import { courseOf } from '@/services/keep/rows/course';
import {
  findRun,
  intakeOf,
  runsOf,
  type CurrentShell,
  type RunRow,
} from '@/services/keep/shells/current-shell';
import { wholeIntake } from '@/services/keep/shells/kept-intake';
import { blobHash } from '@/services/keep/shells/kept-state';
import { compareRun } from '@/services/show/prove/comparison';
import { openingDayView } from '@/services/show/prove/opening-day-view';

/** What was found in the shell as it stands; null where it was not combed. A workbook gets all findings in one table, too. */
export function auditOf(folder: OpenFolder, shell: CurrentShell, isWhole: boolean): Report | null {
  const { audit, version, row } = shell;
  if (!audit) return null;
  const findings = wholeFindings(folder.db, audit.id, courseOf(row), 'open');
  const report = auditReport({
    shell: loadBareShell(folder.blobs, blobHash.parse(version.stateBlob)),
    intake: wholeIntake(folder.blobs, intakeOf(folder, version)),
    audit: { counts: audit.counts, checks: audit.checks, findings },
  });
  return isWhole ? { ...report, tables: [...wholeFindingTable(findings), ...report.tables] } : report;
}

const aboutRow = ({ row }: CurrentShell): { readonly shell: string; readonly about: readonly string[] } => ({
  shell: nameOfShell(row),
  about: aboutShell({
    term: {
      title: row.termTitle,
      start: row.termStart as LocalDate | null,
      end: row.termEnd as LocalDate | null,
    },
    asOf: row.asOf as LocalDate,
  }),
});

/** What a run did, the last one where none is named; null where there is no such run. */
export function runOf(folder: OpenFolder, shell: CurrentShell, runId: string | null): Report | null {
  const run =
    runId === null ? (runsOf(folder, shell.row.id)[0] ?? null) : findRun(folder, shell.row.id, runId);
  if (!run?.finishedAt) return null;
  const summary = summaryOf(run);
  const comparison = compareRun(folder, shell, run);
  return runReport({
    ...aboutRow(shell),
    number: runNumbers(folder, shell.row.id).get(run.id) ?? 0,
    finishedAt: run.finishedAt,
    removed: summary.removed,
    relinked: summary.relinked,
    lines: ledgerOf(folder, run.id),
    findings: comparison && {
      before: comparison.before.findings,
      after: comparison.after.findings,
    },
  });
}

/** What a teacher signs; null where the shell was not combed. */
export function signOffOf(folder: OpenFolder, shell: CurrentShell): Report | null {
  const { audit, row } = shell;
  if (!audit) return null;
  const view = combView(folder, shell);
  const numbers = runNumbers(folder, row.id);
  const runs = runsOf(folder, row.id).reverse();
  return signOffReport({
    ...aboutRow(shell),
    percent: audit.tally.smoothness.percent,
    open: audit.tally.total,
    combedAt: audit.combedAt,
    opening: openingDayView(folder, shell).answers,
    runs: runs.map((run) => ({
      number: numbers.get(run.id) ?? 0,
      what: sayRun(run),
      finishedAt: run.finishedAt ?? run.startedAt,
      steps: summaryOf(run).done,
      held: summaryOf(run).blocked,
    })),
    decided: decidedOf(folder, shell, view),
    answers: answersTaken(folder, shell),
    left: view.batches,
    byHand: workOrderCounts(folder, row.id).open,
  });
}

function sayRun({ kind, packageName, state }: RunRow): string {
  const undone = state === 'undone' ? ', taken back since' : '';
  if (packageName !== null) return `“${packageName}” added${undone}`;
  return kind === 'undo' ? 'An earlier run taken back' : `The plan carried out${undone}`;
}

/** Every decision on a finding that stands now, with its reason where somebody gave one. */
function decidedOf(folder: OpenFolder, shell: CurrentShell, view: ReturnType<typeof combView>): Decided[] {
  const reasons = leftBeReasons(folder, shell);
  const titles = new Map(view.findings.map(({ id, title }) => [id, title]));
  const waiting = waitingFindings(folder, shell);
  const titled = (id: string) => titles.get(id) ?? id;
  return [
    ...view.leftBe.map(({ id, title }) => ({
      decision: 'Left be',
      title,
      reason: entryOf(reasons, id) ?? '',
    })),
    ...waiting.map(({ finding, kind }) => ({
      decision: kind === 'ask' ? 'Asked' : 'Later',
      title: titled(finding),
      reason: kind === 'ask' ? 'The owner’s answer is still to come.' : '',
    })),
    ...view.planned.map(({ finding, action }) => ({
      decision: 'In the plan',
      title: titled(finding),
      reason: action,
    })),
  ];
}

'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { plural } from '@/core/text/plural';
import type { LedgerLine } from '@/services/carry-out/ledger';
import type { RunSummary } from '@/services/carry-out/run-summary';
import { SmallCloth } from '../frame/cloth';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { actionTitles } from '../rehearse/step-table';
import { sayRun } from './say-run';
import styles from '../rehearse/rehearse.module.css';

export interface RunView {
  readonly id: string;
  readonly state: 'done' | 'undone';
  readonly finishedAt: string;
  /** The package that was added; null for a plan. */
  readonly packageName: string | null;
  readonly summary: RunSummary;
  readonly ledger: readonly LedgerLine[];
  /** Nothing was changed after it. */
  readonly isLast: boolean;
}

interface RunListProps {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly runs: readonly RunView[];
  readonly planSize: number;
}

/** Every run with its ledger; the newest can be taken back as a whole. */
export function RunList({ id, code, title, runs, planSize }: RunListProps) {
  const router = useRouter();
  const undo = useJob(() => router.refresh(), { shellId: id, kind: 'undo' });
  const busy = undo.view?.state === 'waiting' || undo.view?.state === 'running';
  const takeBack: TakeBack = (runId, what, sequence) =>
    void undo.start(`/api/shells/${id}/undo`, {
      runId,
      what,
      ...(sequence === undefined ? {} : { sequence }),
    });
  const [last] = runs;
  if (!last) return <NoRuns id={id} planSize={planSize} />;
  return (
    <div className={styles.page}>
      <div style={{ display: 'flex', gap: 14, alignItems: 'start', flexWrap: 'wrap' }}>
        <div style={{ flex: 1 }}>
          <h1>
            {last.state === 'undone' ? 'The last run was taken back: all is as before' : sayRun(last.summary)}
          </h1>
          <p className="soft number" style={{ margin: '4px 0 0' }}>
            {plural(last.summary.done, 'change')} made, {last.summary.blocked} blocked,{' '}
            {plural(last.summary.relinked, 'link')} led elsewhere.
          </p>
        </div>
        <Button variant="outlined" href={`/shells/${id}/carry-out/reset`}>
          Reset the shell …
        </Button>
        {last.state === 'done' && (
          <Button variant="contained" href={`/shells/${id}/prove`}>
            See the proof
          </Button>
        )}
      </div>
      <JobProgress job={undo} label="Taking back" />
      {runs.map((run) => (
        <RunCard key={run.id} run={run} isOpen={run === last} busy={busy} onTakeBack={takeBack}>
          <SmallCloth code={code} title={title} />
        </RunCard>
      ))}
      {last.state === 'undone' && (
        <Alert severity="info">
          {last.packageName === null
            ? 'The findings are open again; nothing was lost.'
            : 'What was added is gone again; nothing else was touched.'}
        </Alert>
      )}
    </div>
  );
}

type TakeBack = (runId: string, what: 'run' | 'since' | 'step', sequence?: number) => void;

function NoRuns({ id, planSize }: Pick<RunListProps, 'id' | 'planSize'>) {
  return (
    <div className={styles.page}>
      <h1>Nothing has been carried out yet</h1>
      <p style={{ margin: 0 }}>
        {planSize > 0 ? (
          <>
            {planSize} changes wait in the plan: <Link href={`/shells/${id}/rehearse`}>rehearse them</Link>,
            then carry them out from there.
          </>
        ) : (
          <>
            The plan is empty. <Link href={`/shells/${id}/comb`}>Comb</Link> and accept what should go.
          </>
        )}{' '}
        To empty the shell by area, <Link href={`/shells/${id}/carry-out/reset`}>reset it</Link>.
      </p>
    </div>
  );
}

interface RunCardProps {
  readonly run: RunView;
  readonly isOpen: boolean;
  readonly busy: boolean;
  readonly onTakeBack: TakeBack;
  /** The cloth of the shell. */
  readonly children: ReactNode;
}

function RunCard({ run, isOpen, busy, onTakeBack, children }: RunCardProps) {
  const when = new Date(run.finishedAt).toLocaleString('en-GB');
  return (
    <section id={`run-${run.id}`} className={styles.card} aria-label={`Run of ${when}`}>
      <div style={{ display: 'flex', gap: 12, alignItems: 'center', flexWrap: 'wrap' }}>
        {children}
        <h2 style={{ flex: 1 }} className="number">
          {run.packageName === null ? 'Run' : `“${run.packageName}” added, run`} of{' '}
          <time dateTime={run.finishedAt}>{when}</time>
        </h2>
        <RunActions run={run} busy={busy} onUndo={(what) => onTakeBack(run.id, what)} />
      </div>
      <details open={isOpen} style={{ marginTop: 8 }}>
        <summary>Ledger</summary>
        <LedgerTable
          lines={run.ledger}
          busy={busy}
          onUndo={run.state === 'done' ? (sequence) => onTakeBack(run.id, 'step', sequence) : null}
        />
      </details>
    </section>
  );
}

/** What can be taken back of a run; what later stands on is told when it is tried, and nothing is changed then. */
function RunActions({
  run,
  busy,
  onUndo,
}: {
  run: RunView;
  busy: boolean;
  onUndo: (what: 'run' | 'since') => void;
}) {
  if (run.state === 'undone') return <span className="soft">taken back</span>;
  return (
    <>
      <Button variant="outlined" disabled={busy} onClick={() => onUndo('run')}>
        Take back this run ({plural(run.summary.done, 'change')})
      </Button>
      {!run.isLast && (
        <Button disabled={busy} onClick={() => onUndo('since')}>
          Go back to before this run
        </Button>
      )}
    </>
  );
}

function LedgerTable({
  lines,
  busy,
  onUndo,
}: {
  lines: readonly LedgerLine[];
  busy: boolean;
  onUndo: ((sequence: number) => void) | null;
}) {
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">Time</th>
          <th scope="col">Operation</th>
          <th scope="col">Count</th>
          <th scope="col">On</th>
          <th scope="col">Outcome</th>
          <th scope="col">
            <span className="unseen">Take back</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.slice(0, 400).map((l) => (
          <tr key={`${l.direction} ${l.sequence}`}>
            <td className="number soft" style={{ whiteSpace: 'nowrap' }}>
              {new Date(l.at).toLocaleTimeString('en-GB')}
            </td>
            <td style={{ whiteSpace: 'nowrap' }}>
              {l.direction === 'undo' ? 'Taken back: ' : ''}
              {actionTitles[l.action] ?? l.action}
            </td>
            <td className="number">{l.titles.length}</td>
            <td style={{ overflowWrap: 'anywhere' }}>
              {l.titles.slice(0, 3).join(', ')}
              {l.titles.length > 3 && ` and ${l.titles.length - 3} more`}
            </td>
            <td>
              {l.outcome}
              {l.reason && <span className="soft">: {l.reason}</span>}
            </td>
            <td>
              {onUndo && l.undoable && (
                <Button size="small" disabled={busy} onClick={() => onUndo(l.sequence)}>
                  Take back {l.titles.length}
                </Button>
              )}
            </td>
          </tr>
        ))}
        {lines.length > 400 && (
          <tr>
            <td colSpan={6}>and {lines.length - 400} more operations</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

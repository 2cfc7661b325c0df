'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { plural } from '@/core/text/plural';
import type { LedgerLine } from '@/services/keep/runs/ledger';
import type { RunSummary } from '@/services/keep/runs/run-summary';
import { SmallCloth } from '../marks/small-cloth';
import { JobProgress } from '../jobs/job-progress';
import { send, useJob } from '../jobs/use-job';
import type { OpenRunView, RunNote } from '@/services/show/carry-out/open-run-view';
import { OpenRun } from './open-run';
import { LedgerTable } from './ledger-table';
import { MetList } from './met-list';
import { sayEmptiness, sayRun } from './say-run';
import styles from '../rehearse/rehearse.module.css';

export interface RunView {
  readonly id: string;
  readonly kind: 'plan' | 'add' | 'undo';
  readonly state: 'done' | 'undone';
  /** What was met on the way, how often each sort; empty for our own store. */
  readonly met: Readonly<Record<string, number>>;
  readonly notes: readonly RunNote[];
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
  /** Why the newest run was not even begun; null where it was. */
  readonly refused: string | null;
  /** A run on the host that is not at its end. */
  readonly open: OpenRunView | null;
  /** How much of the work order is to be done yet, and whether there is any. */
  readonly workOrder: { readonly open: number; readonly ticked: number };
  readonly code: string;
  readonly title: string;
  readonly runs: readonly RunView[];
  readonly planSize: number;
  /** The shell stands on a campus host. */
  readonly onHost: boolean;
}

/** Every run with its ledger; the newest can be taken back as a whole. */
export function RunList({ id, code, title, runs, planSize, open, refused, workOrder, onHost }: RunListProps) {
  const router = useRouter();
  const undo = useJob(() => router.refresh(), { shellId: id, kind: 'undo' });
  const busy = undo.view?.state === 'waiting' || undo.view?.state === 'running';
  const [trouble, setTrouble] = useState('');
  const takeBack: TakeBack = (runId, what, sequence) => {
    const body = { runId, what, ...(sequence === undefined ? {} : { sequence }) };
    const url = `/api/shells/${id}/undo`;
    if (!onHost) return void undo.start(url, body);
    // On a host it is a run of its own, which this page follows as soon as it is ordered.
    void send(url, body).then((answer) => {
      setTrouble(answer.ok ? '' : answer.trouble);
      router.refresh();
    });
  };
  const [last] = runs;
  if (open)
    return (
      <div className={styles.page}>
        <OpenRun key={open.id} shellId={id} first={open} />
      </div>
    );
  if (!last)
    return (
      <div className={styles.page}>
        <Refused id={id} why={refused} onHost={onHost} />
        <NoRuns id={id} planSize={planSize} />
      </div>
    );
  return (
    <div className={styles.page}>
      <Refused id={id} why={refused} onHost={onHost} />
      <RunHead id={id} last={last} workOrder={workOrder} />
      <JobProgress job={undo} label="Taking back" />
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      {runs.map((run) => (
        <RunCard key={run.id} shellId={id} run={run} isOpen={run === last} busy={busy} onTakeBack={takeBack}>
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

/** What the last run did, and the ways on from it. */
function RunHead({ id, last, workOrder }: Pick<RunListProps, 'id' | 'workOrder'> & { last: RunView }) {
  return (
    <div style={{ display: 'flex', gap: 14, alignItems: 'start', flexWrap: 'wrap' }}>
      <div style={{ flex: 1 }}>
        <h1>{headlineOf(last)}</h1>
        <p className="soft number" style={{ margin: '4px 0 0' }}>
          {plural(last.summary.done, 'change')} made, {last.summary.blocked} blocked,{' '}
          {plural(last.summary.relinked, 'link')} led elsewhere.
        </p>
      </div>
      <Button href={`/shells/${id}/carry-out/ledger`}>Ledger</Button>
      <Button href={`/shells/${id}/carry-out/restore-points`}>Restore points</Button>
      <Button variant="outlined" href={`/shells/${id}/carry-out/reset`}>
        Reset the shell …
      </Button>
      {workOrder.open + workOrder.ticked > 0 && (
        <Button variant="outlined" href={`/shells/${id}/carry-out/work-order`}>
          Work order ({workOrder.open} to do)
        </Button>
      )}
      {last.state === 'done' && (
        <Button variant="contained" href={`/shells/${id}/prove`}>
          See the proof
        </Button>
      )}
    </div>
  );
}

/** A run that was not even begun, and what to do about it. */
function Refused({ id, why, onHost }: { id: string; why: string | null; onHost: boolean }) {
  if (why === null) return null;
  return (
    <Alert
      severity="error"
      action={
        onHost && (
          <Button href={`/shells/${id}/bring-in`} style={{ whiteSpace: 'nowrap' }}>
            Read it again
          </Button>
        )
      }
    >
      The last run was not begun: {why}
    </Alert>
  );
}

function headlineOf({ state, kind, summary }: RunView): string {
  if (state === 'undone') return 'The last run was taken back: all is as before';
  if (kind === 'undo') return `Taken back on the host: ${plural(summary.done, 'step')}`;
  if (summary.stopped !== undefined) return `Stopped: ${plural(summary.done, 'change')} made before`;
  return summary.emptiness ? sayEmptiness(summary.emptiness) : sayRun(summary);
}

type TakeBack = (runId: string, what: 'run' | 'since' | 'step', sequence?: number) => void;

function NoRuns({ id, planSize }: Pick<RunListProps, 'id' | 'planSize'>) {
  return (
    <>
      <h1>Nothing has been carried out yet</h1>
      <p style={{ margin: 0 }}>
        {planSize > 0 ? (
          <>
            {plural(planSize, 'change waits', 'changes wait')} in the plan:{' '}
            <Link href={`/shells/${id}/rehearse`}>rehearse the plan</Link>, then carry it out from there.
          </>
        ) : (
          <>
            The plan is empty. <Link href={`/shells/${id}/comb`}>Comb</Link> and accept what should go.
          </>
        )}{' '}
        To empty the shell by area, <Link href={`/shells/${id}/carry-out/reset`}>reset it</Link>.
      </p>
    </>
  );
}

function nameOfRun({ kind, packageName }: RunView): string {
  if (packageName !== null) return `“${packageName}” added, run`;
  return kind === 'undo' ? 'Taking back' : 'Run';
}

interface RunCardProps {
  readonly shellId: string;
  readonly run: RunView;
  readonly isOpen: boolean;
  readonly busy: boolean;
  readonly onTakeBack: TakeBack;
  /** The cloth of the shell. */
  readonly children: ReactNode;
}

function RunCard({ shellId, run, isOpen, busy, onTakeBack, children }: RunCardProps) {
  const when = new Date(run.finishedAt).toLocaleString('en-GB');
  return (
    <section id={`run-${run.id}`} className={styles.card} aria-label={`Run of ${when}`}>
      <div style={{ display: 'flex', gap: 12, alignItems: 'center', flexWrap: 'wrap' }}>
        {children}
        <h2 style={{ flex: 1 }} className="number">
          {nameOfRun(run)} of <time dateTime={run.finishedAt}>{when}</time>
        </h2>
        <RunActions run={run} busy={busy} onUndo={(what) => onTakeBack(run.id, what)} />
      </div>
      <Compared summary={run.summary} />
      <MetList met={run.met} notes={run.notes} />
      <details open={isOpen} style={{ marginTop: 8 }}>
        <summary>Ledger</summary>
        <LedgerTable
          shellId={shellId}
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
  if (run.kind === 'undo') return null;
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

/** A run on a host: in what the shell that was read back is not as rehearsed. */
function Compared({ summary: { differences, moreDifferences = 0 } }: Pick<RunView, 'summary'>) {
  if (differences === undefined) return null;
  if (differences.length === 0)
    return <p style={{ margin: '6px 0 0' }}>Read back from the host: all is as rehearsed.</p>;
  const count = differences.length + moreDifferences;
  return (
    <Alert severity="warning" style={{ marginTop: 8 }}>
      <details>
        <summary>Read back from the host: {plural(count, 'thing is', 'things are')} not as rehearsed</summary>
        <ul>
          {differences.map(({ title, what }, n) => (
            <li key={n}>
              {title && `“${title}”: `}
              {what}
            </li>
          ))}
          {moreDifferences > 0 && <li>and {moreDifferences} more</li>}
        </ul>
      </details>
    </Alert>
  );
}

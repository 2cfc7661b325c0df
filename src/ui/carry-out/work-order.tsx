'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import type { WorkOrderPlace } from '@/core/plan/work-order';
import type { TickedLine, WorkOrderView } from '@/services/show/carry-out/work-order';
import { send } from '../jobs/use-job';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './work-order.module.css';

interface WorkOrderProps {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly view: WorkOrderView;
}

/** What is to be done by hand, place by place, with a box to tick on screen or on paper. */
function WorkOrder({ id, code, title, view }: WorkOrderProps) {
  const { left, open, ticked, plan } = view;
  return (
    <div className={styles.page}>
      <div className={styles.head}>
        <div>
          <h1>{headlineOf(open, ticked)}</h1>
          <p className="soft">
            {code} {title}. {helpOf(open + ticked)}{' '}
            <Link href={`/shells/${id}/carry-out`}>Back to the runs</Link>
          </p>
        </div>
        {left.length + plan.length > 0 && (
          <Button variant="outlined" className={styles.onScreen} onClick={() => window.print()}>
            Print
          </Button>
        )}
      </div>
      {left.map(({ place, lines }) => (
        <section key={place.join(' / ')} className={styles.card}>
          <h2>{placeTitle(place)}</h2>
          <ul>
            {lines.map((line) => (
              <TickLine key={`${line.runId} ${line.sequence} ${line.ref}`} shellId={id} line={line} />
            ))}
          </ul>
        </section>
      ))}
      {plan.length > 0 && <PlanByHand plan={plan} />}
    </div>
  );
}

function headlineOf(open: number, ticked: number): string {
  if (open === 0 && ticked === 0) return 'Nothing is left to be done by hand';
  if (open === 0) return `All of ${plural(ticked, 'line')} are ticked`;
  return `${plural(open, 'step')} to be done by hand`;
}

const helpOf = (lines: number): string =>
  lines === 0
    ? 'What a host lets nobody do for you would stand here after a run.'
    : 'Tick a line when it is done; on paper, the boxes do as well.';

const placeTitle = (place: readonly string[]): string =>
  place.length === 0 ? 'The shell itself, and what stands in no module' : place.join(' › ');

function TickLine({ shellId, line }: { shellId: string; line: TickedLine }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState('');
  const { runId, sequence, tickedAt } = line;
  const tick = async (ticked: boolean) => {
    const answer = await send(`/api/shells/${shellId}/work-order`, { runId, sequence, ticked });
    setTrouble(answer.ok ? '' : answer.trouble);
    router.refresh();
  };
  return (
    <li>
      <label>
        <input
          type="checkbox"
          checked={tickedAt !== null}
          onChange={(event) => void tick(event.target.checked)}
        />
        <span>
          {line.what} <span className="soft">{line.lookFor}</span>
        </span>
      </label>
      {tickedAt !== null && (
        <time className="soft number" dateTime={tickedAt}>
          {new Date(tickedAt).toLocaleString('en-GB')}
        </time>
      )}
      {trouble && <Alert severity="error">{trouble}</Alert>}
    </li>
  );
}

/** The whole plan, for whoever may not or will not have it carried out. */
function PlanByHand({ plan }: { plan: readonly WorkOrderPlace[] }) {
  return (
    <details className={styles.card}>
      <summary>
        <strong>The plan, to be done by hand</strong>
      </summary>
      {plan.map(({ place, lines }) => (
        <section key={place.join(' / ')}>
          <h3>{placeTitle(place)}</h3>
          <ul>
            {lines.map((line) => (
              <li key={`${line.step} ${line.ref}`}>
                <span className={styles.box} aria-hidden="true" />
                <span>
                  {line.what} <span className="soft">{line.lookFor}</span>
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </details>
  );
}

/** It asks for its view by itself. */
export const DrawnWorkOrder = drawnFrom(WorkOrder);

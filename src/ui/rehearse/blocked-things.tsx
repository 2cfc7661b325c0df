'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { WayOut } from '@/core/plan/ways-out';
import type { BlockedThing } from '@/services/do/rehearse/rehearse-job';
import { send } from '../jobs/use-job';
import { actionTitle } from '@/core/plan/action-title';
import styles from './rehearse.module.css';

/** So many are shown with their ways out; the others are counted. */
const shownMost = 40;

/** What guards hold back, each with what can be done instead: one press puts that into the plan. */
export function BlockedThings({ shellId, blocked }: { shellId: string; blocked: readonly BlockedThing[] }) {
  if (blocked.length === 0) return null;
  return (
    <Alert severity="warning" id="blocked">
      <strong>Some steps are blocked; the others would be done.</strong>
      <ul className={styles.blocked}>
        {blocked.slice(0, shownMost).map((thing) => (
          <BlockedLine key={`${thing.action} ${thing.ref}`} shellId={shellId} thing={thing} />
        ))}
        {blocked.length > shownMost && <li>and {blocked.length - shownMost} more</li>}
      </ul>
    </Alert>
  );
}

function BlockedLine({ shellId, thing }: { shellId: string; thing: BlockedThing }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState('');
  const [confirming, setConfirming] = useState<WayOut | null>(null);
  const [typed, setTyped] = useState('');
  const take = async (way: WayOut) => {
    const { action, ref } = thing;
    const body = { action, ref, steps: way.steps, ...(confirming ? { typed } : {}) };
    const answer = await send(`/api/shells/${shellId}/plan/way-out`, body);
    setTrouble(answer.ok ? '' : answer.trouble);
    if (answer.ok) router.refresh();
  };
  const losesWork = (way: WayOut) => way.steps.some(({ params }) => 'withStudentWork' in params);
  return (
    <li>
      <span>
        {actionTitle(thing.action)} “{thing.title}”: {thing.reason}
      </span>
      <span className={styles.ways}>
        {thing.ways.map((way) => (
          <Button
            key={way.label}
            size="small"
            variant="outlined"
            onClick={() => (losesWork(way) ? setConfirming(way) : void take(way))}
          >
            {way.label}
          </Button>
        ))}
      </span>
      {confirming && (
        <form
          className={styles.ways}
          onSubmit={(event) => {
            event.preventDefault();
            void take(confirming);
          }}
        >
          <TextField
            size="small"
            label={`Type “${thing.title}”`}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button
            type="submit"
            size="small"
            variant="contained"
            disabled={typed.trim() !== thing.title.trim()}
          >
            Let its student work go for good
          </Button>
        </form>
      )}
      {trouble && <span role="alert">{trouble}</span>}
    </li>
  );
}

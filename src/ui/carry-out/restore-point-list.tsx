'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import { spellBytes } from '@/core/text/spell-bytes';
import type { RestorePoint } from '@/services/do/carry-out/restore-points';
import { JobProgress } from '../jobs/job-progress';
import { send, useJob } from '../jobs/use-job';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './ledger.module.css';

interface RestorePointListProps {
  readonly id: string;
  readonly onHost: boolean;
  readonly view: readonly RestorePoint[];
}

/** The states that the shell can go back to: named, weighed, taken along, thrown away. */
function RestorePointList({ id, onHost, view: points }: RestorePointListProps) {
  const router = useRouter();
  const [trouble, setTrouble] = useState('');
  const undo = useJob(
    () => {
      router.push(`/shells/${id}/carry-out`);
      router.refresh();
    },
    { shellId: id, kind: 'undo' },
  );
  const edit = async (body: unknown) => {
    const answer = await send(`/api/shells/${id}/restore-points`, body);
    setTrouble(answer.ok ? '' : answer.trouble);
    router.refresh();
  };
  const goBack = async (runId: string) => {
    if (!onHost) return undo.start(`/api/shells/${id}/undo`, { runId, what: 'since' });
    const answer = await send(`/api/shells/${id}/undo`, { runId, what: 'since' });
    setTrouble(answer.ok ? '' : answer.trouble);
    if (!answer.ok) return;
    router.push(`/shells/${id}/carry-out`);
    router.refresh();
  };
  return (
    <div className={styles.page}>
      <div>
        <h1>{plural(points.length, 'restore point')}</h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          Each is the whole shell with its files. What two of them share is kept once; nothing is thrown away
          but by you. <Link href={`/shells/${id}/carry-out`}>Back to the runs</Link>
        </p>
      </div>
      {trouble && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <JobProgress job={undo} label="Going back" />
      <ul className={styles.points}>
        {points.map((point) => (
          <li key={point.id} data-current={point.isCurrent}>
            <PointName point={point} onName={(label) => void edit({ edit: 'name', id: point.id, label })} />
            <div className={styles.actions}>
              {point.run && !point.isCurrent && point.bytes && (
                <Button variant="outlined" size="small" onClick={() => void goBack(point.run?.id ?? '')}>
                  Go back to before run {point.run.number}
                </Button>
              )}
              {point.bytes && (
                <Button size="small" href={`/api/shells/${id}/export?point=${point.id}`}>
                  Take along as a package
                </Button>
              )}
              {point.bytes && !point.isCurrent && (
                <ThrowAway onThrow={() => void edit({ edit: 'throw-away', id: point.id })} />
              )}
            </div>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Nothing brings a restore point back, so it takes two presses. */
function ThrowAway({ onThrow }: { onThrow: () => void }) {
  const [isArmed, setArmed] = useState(false);
  if (!isArmed)
    return (
      <Button size="small" onClick={() => setArmed(true)}>
        Throw away
      </Button>
    );
  return (
    <>
      <Button size="small" variant="contained" color="error" onClick={onThrow}>
        Throw away for good
      </Button>
      <Button size="small" onClick={() => setArmed(false)}>
        Keep it
      </Button>
    </>
  );
}

function PointName({ point, onName }: { point: RestorePoint; onName: (label: string) => void }) {
  const { label, at, items, files, isCurrent, bytes } = point;
  const [isNaming, setNaming] = useState(false);
  const [name, setName] = useState(label);
  return (
    <div>
      {isNaming ? (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            setNaming(false);
            onName(name);
          }}
        >
          <input
            aria-label="Name of the restore point"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />{' '}
          <Button type="submit" size="small">
            Name it so
          </Button>
        </form>
      ) : (
        <strong>
          {label || 'Without a name'}
          {isCurrent && ' (as it stands)'}{' '}
          <Button size="small" onClick={() => setNaming(true)}>
            Rename
          </Button>
        </strong>
      )}
      <p className="soft number">
        <time dateTime={at}>{new Date(at).toLocaleString('en-GB')}</time> · {plural(items, 'item')},{' '}
        {plural(files, 'file')} · {sayBytes(bytes, isCurrent)}
      </p>
    </div>
  );
}

function sayBytes(bytes: RestorePoint['bytes'], isCurrent: boolean): string {
  if (bytes === null) return 'thrown away';
  const all = spellBytes(bytes.all);
  return isCurrent ? all : `${all}, ${spellBytes(bytes.all - bytes.shared)} of it its own`;
}

/** It asks for its view by itself. */
export const DrawnRestorePointList = drawnFrom(RestorePointList);

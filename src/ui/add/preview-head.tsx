import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { standings, standingTitles, type Standing } from '@/core/add/incoming';
import { spellDate, type LocalDate } from '@/core/dates/local-date';
import type { PreviewView } from '@/services/do/add/preview-view';
import { IdentityAlarm } from '../bring-in/identity-alarm';
import { JobProgress } from '../jobs/job-progress';
import type { WatchedJob } from '../jobs/use-job';
import { FilterChip } from '../marks/filter-chip';
import styles from './add.module.css';

interface PreviewHeadProps {
  readonly id: string;
  readonly code: string;
  readonly view: PreviewView;
  readonly heading: string;
  readonly shown: ReadonlySet<Standing>;
  readonly onShow: (standing: Standing) => void;
  /** Holding the package against the shell once more. */
  readonly again: WatchedJob;
  readonly busy: boolean;
}

/** What the package is, whether it belongs here, whether it was here before, and which of its things are shown. */
export function PreviewHead({ id, code, view, heading, shown, onShow, again, busy }: PreviewHeadProps) {
  return (
    <div className={styles.head}>
      <h1>{heading}</h1>
      <p className="soft" style={{ margin: '2px 0 0' }}>
        “{view.packageName}”{view.title && `, ${view.title},`} held against {code || 'this shell'}. Nothing
        has been changed yet. <Link href={`/shells/${id}/bring-in`}>Back to the inventory</Link>
      </p>
      {view.doubts.length > 0 && (
        <IdentityAlarm question="Is this the right package?">
          It goes by {view.doubts.map((d) => `“${d.says}”`).join(', ')}, and this shell is {code}.
        </IdentityAlarm>
      )}
      {view.earlier && <AddedBefore id={id} earlier={view.earlier} />}
      {view.stale && (
        <Alert
          severity="info"
          sx={{ mt: 1 }}
          action={
            <Button
              size="small"
              disabled={busy}
              onClick={() => void again.start(`/api/shells/${id}/incoming/again`)}
            >
              Hold it against the shell again
            </Button>
          }
        >
          The shell changed since.
        </Alert>
      )}
      <JobProgress job={again} label="Holding it against the shell" />
      <div className={styles.filters} role="group" aria-label="Show">
        {standings.map((standing) => (
          <FilterChip key={standing} pressed={shown.has(standing)} onClick={() => onShow(standing)}>
            {standingTitles[standing]} <span className="number soft">{view.preview.counts[standing]}</span>
          </FilterChip>
        ))}
      </div>
    </div>
  );
}

interface AddedBeforeProps {
  readonly id: string;
  readonly earlier: NonNullable<PreviewView['earlier']>;
}

function AddedBefore({ id, earlier }: AddedBeforeProps) {
  const { runId, at } = earlier;
  return (
    <Alert severity="warning" role="alert" sx={{ mt: 1 }}>
      {runId === null
        ? 'This shell was read from this very package.'
        : `This very package was added on ${spellDate(at.slice(0, 10) as LocalDate)}.`}{' '}
      Only what is new can be added from it.{' '}
      {runId !== null && <Link href={`/shells/${id}/carry-out#run-${runId}`}>See what that did</Link>}
    </Alert>
  );
}

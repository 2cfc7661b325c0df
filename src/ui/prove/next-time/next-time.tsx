'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../../theme/message-bar';
import { useState } from 'react';
import { areas, type Area } from '@/core/next-time/leave-behind';
import { plural } from '@/core/text/plural';
import type { NextTimeLine, NextTimeView } from '@/services/do/next-time/next-time';
import { send } from '../../jobs/use-job';
import { toggled } from '../../marks/toggled';
import styles from './next-time.module.css';

/** What the next copy of the course shall leave behind: ticked on the screen or on paper, kept with the course. */
export function NextTime({ view }: { view: NextTimeView }) {
  return (
    <div className={styles.page}>
      <FromBefore view={view} />
      <Leave view={view} />
    </div>
  );
}

/** What an earlier shell of the course left word of. */
function FromBefore({ view }: { view: NextTimeView }) {
  const router = useRouter();
  if (view.fromBefore.length === 0) return null;
  const forget = async () => {
    await send(`/api/shells/${view.id}/next-time`, undefined, 'DELETE');
    router.refresh();
  };
  return (
    <section aria-labelledby="from-before">
      <h1 id="from-before">{plural(view.fromBefore.length, 'thing')} not to copy into this course</h1>
      <p className="soft" style={{ margin: '4px 0 8px' }}>
        An earlier shell of {view.code} left word of them. Leave them out where the copy asks, or look for
        them here.
      </p>
      <ul className={styles.before}>
        {view.fromBefore.map(({ area, title, did }) => (
          <li key={`${area} ${title}`}>
            {title}{' '}
            <span className="soft">
              {area}, {did} then
            </span>
          </li>
        ))}
      </ul>
      <Button variant="text" onClick={() => void forget()}>
        Let these go
      </Button>
    </section>
  );
}

function Leave({ view }: { view: NextTimeView }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const { lines } = view;
  const first = lines.filter(({ isKept }) => isKept || !view.isKept).map(({ key }) => key);
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set(first));
  if (lines.length === 0)
    return (
      <section aria-labelledby="leave">
        <h1 id="leave">Nothing to leave behind yet</h1>
        <p style={{ margin: '4px 0 0' }}>
          When something of {view.code} has been deleted, hidden or set aside, it is listed here, so that the
          next copy does not bring it along again.
        </p>
      </section>
    );
  const keep = async () => {
    const result = await send<{ kept: number }>(`/api/shells/${view.id}/next-time`, { keys: [...ticked] });
    const said = result.ok ? `${plural(result.value.kept, 'thing')} kept with ${view.code}.` : result.trouble;
    enqueueSnackbar(said, { variant: result.ok ? 'default' : 'error' });
    router.refresh();
  };
  return (
    <section aria-labelledby="leave">
      <div className={styles.head}>
        <div style={{ flex: 1 }}>
          <h1 id="leave">What the next copy of {view.code} should leave behind</h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            All that was taken out of this shell, by the areas that a copy asks about. Untick what should come
            along.
          </p>
        </div>
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
        <Button variant="contained" onClick={() => void keep()}>
          Keep {plural(ticked.size, 'thing')} for next time
        </Button>
      </div>
      {areas.map((area) => (
        <AreaList
          key={area}
          area={area}
          lines={lines.filter((line) => line.area === area)}
          ticked={ticked}
          onToggle={(keys) => setTicked((now) => toggled(now, keys))}
        />
      ))}
    </section>
  );
}

interface AreaListProps {
  readonly area: Area;
  readonly lines: readonly NextTimeLine[];
  readonly ticked: ReadonlySet<string>;
  readonly onToggle: (keys: readonly string[]) => void;
}

/** So many lines of an area are written out. */
const mostShown = 500;

function AreaList({ area, lines, ticked, onToggle }: AreaListProps) {
  if (lines.length === 0) return null;
  const chosen = lines.filter(({ key }) => ticked.has(key)).length;
  const more = lines.length - mostShown;
  return (
    <section aria-labelledby={`area-${area}`} className={styles.area}>
      <h2 id={`area-${area}`}>
        {area}{' '}
        <span className="soft number">
          {chosen} of {lines.length}
        </span>{' '}
        <Button size="small" onClick={() => onToggle(lines.map(({ key }) => key))}>
          {chosen === lines.length ? 'None' : 'All'}
        </Button>
      </h2>
      <ul>
        {lines.slice(0, mostShown).map(({ key, title, did, count }) => (
          <li key={key}>
            <label>
              <input type="checkbox" checked={ticked.has(key)} onChange={() => onToggle([key])} /> {title}{' '}
              <span className="soft number">
                {did}
                {count > 1 && ` · ${count}`}
              </span>
            </label>
          </li>
        ))}
      </ul>
      {more > 0 && <p className="soft">and {more.toLocaleString('en')} more, ticked or not with the rest</p>}
    </section>
  );
}

'use client';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { noonOf } from '@/core/students-eye/openings';
import type { StudentsEye } from '@/core/students-eye/students-eye';
import { plural } from '@/core/text/plural';
import {
  addDays,
  daysBetween,
  parseLocalDate,
  spellDate,
  spellWeekday,
  type LocalDate,
} from '@/core/dates/local-date';
import type { EyeView } from '@/services/show/prove/eye-view';
import { ThingLook } from '../../look/thing-look';
import { FilterChip } from '../../marks/filter-chip';
import { EyeListBox } from './eye-list';
import { eyeLists, eyeRows, sayDeadEnd, type EyeList, type EyeRow, type EyeRows } from './eye-model';
import { StripLegend, WeekStrip } from './week-strip';
import { drawnFrom } from '../../stage/drawn-stage';
import styles from './eye.module.css';

/** The shell as a student reaches it, on any day of the term. */
export function EyeStage({ view }: { view: EyeView }) {
  if (!view.eye) return <NoEye view={view} />;
  return <Eye view={view} eye={view.eye} />;
}

const listTitles: Readonly<Record<EyeList, string>> = {
  seen: 'What they get',
  differs: 'What you see and they don’t',
  'dead-ends': 'Dead ends',
};

function Eye({ view, eye }: { view: EyeView; eye: StudentsEye }) {
  const query = useSearchParams();
  const [day, setDay] = useState(() => firstDay(view, parseLocalDate(query.get('day') ?? '')));
  const [list, setList] = useState<EyeList>(
    () => eyeLists.find((one) => one === query.get('show')) ?? 'seen',
  );
  const [picked, setPicked] = useState<string | null>(null);
  const at = useMemo(() => eyeRows(eye, noonOf(day)), [eye, day]);
  const rows = at.rows[list];
  const current = rows.find(({ key }) => key === picked) ?? rows[0] ?? null;
  const show = (nextDay: LocalDate, next: EyeList) => {
    setDay(nextDay);
    setList(next);
    // The address says what is looked at, so that it can be passed on.
    window.history.replaceState(null, '', `?day=${nextDay}&show=${next}`);
  };
  return (
    <div className={styles.page}>
      <div className={styles.head}>
        <h1>
          What students get on {spellWeekday(day)}, {spellDate(day)}
        </h1>
        <p className="soft" style={{ margin: '2px 0 8px' }}>
          At noon, of somebody who has done all that could be done by then. {sayFigures(at)}
        </p>
        <DayChoice view={view} eye={eye} day={day} onDay={(next) => show(next, list)} />
        <div className={styles.lists} role="group" aria-label="Lists">
          {eyeLists.map((one) => (
            <FilterChip key={one} pressed={one === list} onClick={() => show(day, one)}>
              {listTitles[one]} <span className="number">{at.rows[one].length.toLocaleString('en')}</span>
            </FilterChip>
          ))}
          {eye.strip.length > 0 && <StripLegend />}
        </div>
        {list === 'dead-ends' && eye.unlistedDeadEnds !== undefined && (
          <p className="soft" style={{ margin: '8px 0 0' }}>
            {eye.unlistedDeadEnds.toLocaleString('en')} more dead ends of the whole term are counted and not
            listed; they come up when these are mended and the shell is combed again.
          </p>
        )}
      </div>
      {rows.length > 0 ? (
        <EyeListBox
          label={listTitles[list]}
          rows={rows}
          current={current?.key ?? null}
          onCurrent={setPicked}
          saysSight={list === 'differs'}
        />
      ) : (
        <p style={{ padding: '14px 22px', margin: 0 }}>{emptyWords[list]}</p>
      )}
      <aside className={styles.look} aria-label="As students see it">
        {current && <Looked view={view} row={current} at={at} />}
      </aside>
    </div>
  );
}

const emptyWords: Readonly<Record<EyeList, string>> = {
  seen: 'Students get nothing at all on this day. Choose a later one, or look at what you see and they don’t.',
  differs: 'Students get everything that you see on this day.',
  'dead-ends': 'Every link that students meet on this day leads somewhere that they can open.',
};

function sayFigures({ rows }: EyeRows): string {
  const open = rows.seen.length;
  const all = open + rows.differs.filter(({ look }) => look.type === 'item').length;
  return `${open.toLocaleString('en')} of ${plural(all, 'item')} are open to them.`;
}

/** The day in its term, chosen by week or on the line below it. */
function DayChoice(props: {
  view: EyeView;
  eye: StudentsEye;
  day: LocalDate;
  onDay: (day: LocalDate) => void;
}) {
  const { view, eye, day, onDay } = props;
  const first = eye.strip[0]?.monday;
  if (first === undefined)
    return (
      <p className="soft" style={{ margin: 0 }}>
        The term’s dates are not known, so this is the day that the shell is looked at.{' '}
        <Link href={`/shells/${view.id}/decide?check=readiness.term-dates`}>Set them</Link>
      </p>
    );
  const last = 7 * eye.strip.length - 1;
  const place = daysBetween(first, day);
  return (
    <div className={styles.days}>
      <WeekStrip weeks={eye.strip} day={day} onDay={onDay} />
      <Slider
        size="small"
        aria-label="Day of the term"
        value={Math.max(0, Math.min(last, place))}
        min={0}
        max={last}
        onChange={(_, value) => onDay(addDays(first, Number(value)))}
        getAriaValueText={(value) => {
          const said = addDays(first, value);
          return `${spellWeekday(said)}, ${spellDate(said)}`;
        }}
      />
    </div>
  );
}

function Looked({ view, row, at }: { view: EyeView; row: EyeRow; at: EyeRows }) {
  const ends = at.endsIn.get(row.look.ref) ?? [];
  return (
    <>
      <h2>{row.title}</h2>
      {row.seen.sight !== 'Shown' && <p style={{ margin: 0 }}>{row.seen.because}</p>}
      {ends.length > 0 && (
        <section aria-labelledby="dead-ends-here">
          <h3 id="dead-ends-here">{plural(ends.length, 'dead end')} in it</h3>
          <ul className={styles.ends}>
            {ends.map((end) => (
              <li key={`${end.to.type} ${end.to.ref}`}>{sayDeadEnd(end)}</li>
            ))}
          </ul>
        </section>
      )}
      <ThingLook key={row.look.ref} shellId={view.id} thing={{ ...row.look, title: row.title }} />
    </>
  );
}

/** The day that is asked for, else that on which the shell is looked at, else the term’s first, which it is brought to. */
function firstDay({ term, asOf }: EyeView, asked: LocalDate | null): LocalDate {
  if (asked !== null) return asked;
  if (term.start !== null && asOf < term.start) return term.start;
  if (term.end !== null && asOf > term.end) return term.end;
  return asOf;
}

function NoEye({ view }: { view: EyeView }) {
  return (
    <div className={styles.none}>
      <h1>{view.combed ? 'Not looked through yet' : 'Not combed yet'}</h1>
      <p style={{ margin: 0, maxWidth: 560 }}>
        What students get is worked out while a shell is combed
        {view.combed && ', and this one was combed by an earlier version of Currycomb'}. Comb it, and look
        here again.
      </p>
      <Button variant="contained" href={`/shells/${view.id}/comb`}>
        {view.combed ? 'Comb again' : 'Comb'} {view.code}
      </Button>
    </div>
  );
}

/** It asks for its view by itself. */
export const DrawnEyeStage = drawnFrom(EyeStage);

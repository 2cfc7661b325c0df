'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState, useSyncExternalStore } from 'react';
import type { RedateWarning } from '@/core/redate/ask';
import type { RedateChange } from '@/core/redate/thing-changes';
import { parseLocalDate, spellDate } from '@/core/dates/local-date';
import { seriesOfRef } from '@/core/time/series-ref';
import { plural } from '@/core/text/plural';
import type { RedateAsked } from '@/services/do/drafts/redate-ask';
import type { RedatePreview } from '@/services/do/decide/redate-plan';
import type { RedateStart } from '@/services/show/decide/redate-start';
import { toggled } from '../marks/toggled';
import { HeldBack } from '../parts/held-back';
import { usePlanEdit } from '../parts/use-plan-edit';
import type { WorkColumn } from '../parts/work-rows';
import { WorkTable } from '../parts/work-table';
import { readChoice, writtenChoice } from './kept-choice';
import { LoadChart } from './load-chart';
import { RedateForm } from './redate-form';
import { TypedDays } from './typed-days';
import { useRedating } from './use-redating';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './redate.module.css';

const plainAsk: RedateAsked = {
  mode: 'week-and-weekday',
  days: 7,
  date: null,
  map: [],
  avoidNoClass: null,
  what: 'all',
  only: null,
  oldStart: null,
  oldEnd: null,
  oldNoClass: null,
  typed: true,
};

/** Dates from the old term to the new one: counts first, then every date with its new day, then into the plan. */
function RedateStage({ view: start }: { view: RedateStart }) {
  const chosen = useChosenElsewhere(start.id);
  const [asked, setAsked] = useState(plainAsk);
  const [isAll, setAll] = useState(false);
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const only = isAll ? null : chosen;
  const ask = useMemo(() => ({ ...asked, only: only === null ? null : [...only] }), [asked, only]);
  const redating = useRedating(start.id, ask);
  const plan = usePlanEdit(start.id);
  const { preview, trouble } = redating;
  const changes = preview?.redating.changes ?? [];
  const going = changes.filter((change) => !leftOut.has(thingOf(change)));
  const take = async () => {
    const things = [...new Set(going.map(thingOf))];
    const taken = await redating.take(leftOut.size > 0 ? things : (ask.only ?? null));
    if (taken?.taken) plan.tell('re-date', taken.taken);
    redating.again();
  };
  return (
    <div className={styles.page}>
      <RedateForm start={start} ask={asked} onAsk={(change) => setAsked((now) => ({ ...now, ...change }))} />
      <section className={styles.work} aria-label="What would change" aria-busy={redating.isOld}>
        <div>
          <h1>{preview ? sayCounts(preview) : 'Re-date'}</h1>
          <p className="soft" style={{ margin: '4px 0 0' }}>
            {sayTerms(start, preview)}
          </p>
        </div>
        <div>
          {only !== null && <OnlyChosen count={only.length} onAll={() => setAll(true)} />}
          <AskTroubles trouble={trouble} odd={preview?.odd ?? null} />
          <HeldBack held={plan.held} onClose={plan.forgetHeld} />
          {preview && (
            <div className={styles.middle}>
              <div>
                <Warnings changes={going} />
                <TypedDays
                  typed={preview.redating.typed}
                  isTaken={asked.typed === true}
                  onTake={(typed) => setAsked((now) => ({ ...now, typed }))}
                />
              </div>
              <LoadChart load={preview.load} />
            </div>
          )}
        </div>
        {preview && changes.length > 0 ? (
          <ChangesTable
            changes={changes}
            leftOut={leftOut}
            onLeaveOut={setLeftOut}
            going={going.length}
            isOld={redating.isOld}
            onTake={() => void take()}
          />
        ) : (
          <NothingToDo preview={preview} />
        )}
      </section>
    </div>
  );
}

/** Why nothing could be worked out, and what looks odd of what was. */
function AskTroubles({ trouble, odd }: { trouble: string | null; odd: string | null }) {
  return (
    <>
      {trouble !== null && <Alert severity="warning">{trouble}</Alert>}
      {odd !== null && <Alert severity="warning">{odd} Is that right? Correct it on the left.</Alert>}
    </>
  );
}

function OnlyChosen({ count, onAll }: { count: number; onAll: () => void }) {
  return (
    <Alert
      severity="info"
      action={
        <Button color="inherit" size="small" onClick={onAll}>
          All of the shell
        </Button>
      }
    >
      Only the {plural(count, 'thing')} that {count === 1 ? 'was' : 'were'} chosen.
    </Alert>
  );
}

interface ChangesTableProps {
  readonly changes: readonly RedateChange[];
  readonly leftOut: ReadonlySet<string>;
  readonly onLeaveOut: (things: ReadonlySet<string>) => void;
  /** How many of the changes are not left out. */
  readonly going: number;
  /** The question was changed, and its answer is not there yet. */
  readonly isOld: boolean;
  readonly onTake: () => void;
}

/** Every date with its new day; what is left out stays in sight. */
function ChangesTable({ changes, leftOut, onLeaveOut, going, isOld, onTake }: ChangesTableProps) {
  return (
    <WorkTable
      label="Dates and their new days"
      rows={changes}
      keyOf={keyOf}
      columns={columnsWith(leftOut)}
      actions={(rows, clear) => (
        <>
          <Button
            size="small"
            variant="outlined"
            disabled={rows.length === 0}
            onClick={() => {
              onLeaveOut(toggled(leftOut, rows.map(thingOf)));
              clear();
            }}
          >
            {sayLeaveOut(leftOut, rows)}
          </Button>
          <Button size="small" variant="contained" disabled={going === 0 || isOld} onClick={onTake}>
            Put {plural(going, 'new date')} in the plan
          </Button>
        </>
      )}
    />
  );
}

function sayLeaveOut(left: ReadonlySet<string>, rows: readonly RedateChange[]): string {
  const isBack = rows.length > 0 && rows.every((row) => left.has(thingOf(row)));
  if (isBack) return `Take ${rows.length} in again`;
  return rows.length > 0 ? `Leave ${rows.length} out` : 'Leave out';
}

/** What was chosen on another page and taken along. */
function useChosenElsewhere(shellId: string): readonly string[] | null {
  const isTakenAlong = useSearchParams().get('only') === 'chosen';
  const written = useSyncExternalStore(
    () => () => undefined,
    () => (isTakenAlong ? writtenChoice(shellId) : null),
    () => null,
  );
  return useMemo(() => readChoice(written), [written]);
}

/** The thing that a change is about: an override goes with its series. */
const thingOf = (change: RedateChange): string =>
  change.field === 'override' ? seriesOfRef(change.ref) : change.ref;
const keyOf = (change: RedateChange): string =>
  `${change.ref} ${change.field} ${change.old ?? change.new ?? ''}`;

const fieldWords: Readonly<Record<RedateChange['field'], string>> = {
  opens: 'opens',
  closes: 'closes',
  due: 'due',
  start: 'starts',
  until: 'ends for good',
  exdate: 'left-out date',
  rdate: 'added date',
  override: 'changed date',
};
const warningWords: Readonly<Record<RedateWarning, string>> = {
  'no-class': 'no class on that day',
  'after-term': 'after the term',
  'before-term': 'before the term',
  order: 'out of order',
  'in-break': 'was in a break',
};
const weekdayWords = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' };

const columns: readonly WorkColumn<RedateChange>[] = [
  { key: 'title', title: 'Title', width: 'minmax(150px, 3fr)', text: (change) => change.title },
  { key: 'field', title: 'Date', width: '105px', text: (change) => fieldWords[change.field] },
  {
    key: 'old',
    title: 'Old',
    width: '150px',
    text: (change) => spellMoment(change.old),
    order: (change) => change.old ?? '',
  },
  {
    key: 'new',
    title: 'New',
    width: '150px',
    text: (change) => spellMoment(change.new),
    order: (change) => change.new ?? '',
  },
  {
    key: 'weekday',
    title: 'Day',
    width: '60px',
    text: (change) => (change.weekday === null ? '' : weekdayWords[change.weekday]),
  },
  {
    key: 'week',
    title: 'Week',
    width: '60px',
    text: (change) => (change.week === null ? '' : String(change.week)),
    order: (change) => change.week ?? 99,
  },
  {
    key: 'warnings',
    title: 'Look at',
    width: 'minmax(110px, 2fr)',
    text: (change) => change.warnings.map((warning) => warningWords[warning]).join(', '),
  },
];

/** The columns, where things that are left out say so. */
const columnsWith = (leftOut: ReadonlySet<string>): readonly WorkColumn<RedateChange>[] =>
  columns.map((column) =>
    column.key === 'warnings'
      ? { ...column, text: (change) => (leftOut.has(thingOf(change)) ? 'left out' : column.text(change)) }
      : column,
  );

/** `14 Oct 2025, 23:59`; a day without a time stays without. */
function spellMoment(moment: string | null): string {
  if (moment === null) return 'none';
  const day = parseLocalDate(moment.slice(0, 10));
  const spelled = day === null ? moment : spellDate(day).replace(/ (\p{L}{3})\p{L}* /u, ' $1 ');
  return moment.length > 10 ? `${spelled}, ${moment.slice(11, 16)}` : spelled;
}

function sayCounts({ redating }: RedatePreview): string {
  const { dated, changed } = redating.counts;
  return `${changed.toLocaleString('en')} of ${plural(dated, 'dated thing')} would move`;
}

function sayTerms(start: RedateStart, preview: RedatePreview | null): string {
  const { term } = start;
  const spell = (day: string | null) => (day === null ? 'not known' : spellMoment(day));
  const to = `to ${term.title || 'the new term'}, ${spell(term.start)} to ${spell(term.end)}`;
  if (preview === null) return to;
  const { counts } = preview.redating;
  const parts = [
    `${plural(counts.things - counts.dated, 'thing')} without dates stay untouched`,
    counts.same > 0 ? `${counts.same} keep their dates` : '',
    counts.outside > 0 ? `${counts.outside} lie far outside the old term and stay` : '',
  ].filter((part) => part !== '');
  return `${to}. ${parts.join('; ')}.`;
}

/** How many dates to look at, by what is to be seen there. */
function Warnings({ changes }: { changes: readonly RedateChange[] }) {
  const kinds = Object.keys(warningWords) as RedateWarning[];
  const counted = kinds
    .map((kind) => ({ kind, n: changes.filter((change) => change.warnings.includes(kind)).length }))
    .filter(({ n }) => n > 0);
  if (changes.length === 0) return null;
  if (counted.length === 0)
    return <p style={{ margin: 0 }}>Every new day lies inside the term, has class, and is in order.</p>;
  return (
    <ul className={styles.warnings} aria-label="Warnings">
      {counted.map(({ kind, n }) => (
        <li key={kind}>
          <strong className="number">{n}</strong> {warningWords[kind]}
        </li>
      ))}
    </ul>
  );
}

function NothingToDo({ preview }: { preview: RedatePreview | null }) {
  if (preview === null) return <p className="soft">Worked out as soon as the terms are known.</p>;
  const { outside } = preview.redating.counts;
  return (
    <p>
      No date would change.{' '}
      {outside > 0 &&
        'The dates lie far outside the old term: is it the right one? Correct its first and last day.'}
    </p>
  );
}

/** It asks for its view by itself. */
export const DrawnRedateStage = drawnFrom(RedateStage);

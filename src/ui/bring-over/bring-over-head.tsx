'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { IncomingKey } from '@/core/add/incoming';
import { plural } from '@/core/text/plural';
import { spellDate } from '@/core/dates/local-date';
import type { LocalDate } from '@/core/dates/local-date';
import type { BringOverDates } from '@/services/show/bring-in/bring-over-dates';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import Link from 'next/link';
import { IdentityAlarm } from '../bring-in/identity-alarm';
import { FilterChip } from '../marks/filter-chip';
import { HowItComes } from './how-it-comes';
import { KindChips } from './kind-chips';
import { plainNumber } from './plain-number';
import { kindCounts, lookWanted, type SourceFilter } from './source-rows';
import { proposedKeys, type useBringing } from './use-bringing';
import styles from './bring-over.module.css';

interface BringOverHeadProps {
  readonly view: BringOverView;
  readonly state: ReturnType<typeof useBringing>;
  readonly filter: SourceFilter;
  readonly onFilter: (filter: Partial<SourceFilter>) => void;
  readonly dates: BringOverDates | null;
  readonly isTaken: (key: IncomingKey) => boolean;
}

/** What comes over, how its dates move, and the kinds of the source as ticks. */
export function BringOverHead({ view, state, filter, onFilter, dates, isTaken }: BringOverHeadProps) {
  const { bringing, choice, change } = state;
  const [isOpen, setOpen] = useState(false);
  const wantLook = view.preview.things.filter(lookWanted(view)).length;
  const taken = view.preview.things.filter(({ key, kind }) => kind !== 'module' && isTaken(key)).length;
  return (
    <div className={styles.head}>
      <div className={styles.headLine}>
        <div>
          <h1>{headline(taken, choice.replaced.size, wantLook)}</h1>
          <p className="soft" style={{ margin: '2px 0 0' }}>
            {sayDates(view, bringing, dates, isTaken)}{' '}
            <Button size="small" onClick={() => setOpen((now) => !now)} aria-expanded={isOpen}>
              {isOpen ? 'Close' : 'Change dates and place'}
            </Button>
          </p>
        </div>
        <Doubts view={view} />
      </div>
      {view.earlier && <AddedBefore id={view.shellId} earlier={view.earlier} />}
      {dates?.trouble && (
        <Alert severity="warning" role="alert">
          {dates.trouble}
        </Alert>
      )}
      {isOpen && <HowItComes view={view} bringing={bringing} onChange={change} />}
      <div className={styles.chips} role="group" aria-label="Kinds and filters">
        <KindChips
          counts={kindCounts(view, isTaken)}
          onTake={(keys, isOn) => change((now) => ({ chosen: withKeys(now.chosen, keys, isOn) }))}
        />
        <FilterChip
          pressed={filter.only === 'look'}
          onClick={() => onFilter({ only: other(filter.only, 'look') })}
        >
          Needs a look <span className="number soft">{plainNumber(wantLook)}</span>
        </FilterChip>
        <FilterChip
          pressed={filter.only === 'chosen'}
          onClick={() => onFilter({ only: other(filter.only, 'chosen') })}
        >
          Selected <span className="number soft">{plainNumber(taken)}</span>
        </FilterChip>
        <input
          type="search"
          className={styles.filter}
          aria-label="Filter by title"
          placeholder="Filter"
          value={filter.text}
          onChange={(event) => onFilter({ text: event.target.value })}
        />
        <Button size="small" onClick={() => change({ chosen: proposedKeys(view), replace: new Set() })}>
          As proposed
        </Button>
        <Button
          size="small"
          color="inherit"
          onClick={() => change({ chosen: new Set(), replace: new Set() })}
        >
          Nothing
        </Button>
      </div>
    </div>
  );
}

const other = (now: SourceFilter['only'], next: SourceFilter['only']): SourceFilter['only'] =>
  now === next ? 'all' : next;

function withKeys(
  chosen: ReadonlySet<IncomingKey>,
  keys: readonly IncomingKey[],
  isOn: boolean,
): ReadonlySet<IncomingKey> {
  const off = new Set(keys);
  return isOn ? new Set([...chosen, ...keys]) : new Set([...chosen].filter((key) => !off.has(key)));
}

function headline(taken: number, replaced: number, wantLook: number): string {
  const comes =
    taken === 0 ? 'Nothing comes over yet' : `${plural(taken, 'thing comes', 'things come')} over`;
  const changes = replaced > 0 ? `, ${plural(replaced, 'is', 'are')} replaced` : '';
  const look =
    wantLook > 0
      ? `, ${plainNumber(wantLook)} of the rest ${wantLook === 1 ? 'wants' : 'want'} a look first`
      : '';
  return `${comes}${changes}${look}`;
}

/** How the dates of what is taken move, in one sentence. */
function sayDates(
  { sourceTerm, term }: BringOverView,
  { dating, sourceTerm: told }: BringOverHeadProps['state']['bringing'],
  dates: BringOverDates | null,
  isTaken: (key: IncomingKey) => boolean,
): string {
  const rows = Object.entries(dates?.rows ?? {}).flatMap(([ref, list]) =>
    isTaken(`item ${ref}`) || isTaken(`event ${ref}`) ? list : [],
  );
  const moved = rows.filter((row) => row.old !== row.new && row.new !== null).length;
  const cleared = rows.filter((row) => row.old !== null && row.new === null).length;
  if (rows.length === 0) return 'Nothing that comes over has a date.';
  const isGuessed = sourceTerm.inferred && told.start === null && told.end === null;
  const old = sayTerm(told.start ?? sourceTerm.start, told.end ?? sourceTerm.end);
  const from = isGuessed ? `${old} (by its dates)` : old;
  const to = sayTerm(term.start, term.end);
  switch (dating.mode) {
    case 'keep':
      return `${plural(rows.length, 'date stays', 'dates stay')} as ${rows.length === 1 ? 'it is' : 'they are'}.`;
    case 'clear':
      return `${plural(cleared, 'date is', 'dates are')} cleared.`;
    case 'shift':
      return `${plural(moved, 'date moves', 'dates move')} by ${plural(dating.days, 'day')}, ${rows.length - moved} ${rows.length - moved === 1 ? 'stays' : 'stay'}.`;
    case 'week-and-weekday':
      return `From ${from} to ${to}, same week and weekday: ${plural(moved, 'date moves', 'dates move')}, ${rows.length - moved} ${rows.length - moved === 1 ? 'stays' : 'stay'}, none is dropped.`;
  }
}

const sayTerm = (start: LocalDate | null, end: LocalDate | null): string =>
  start === null || end === null ? 'an unknown term' : `${spellDate(start)} – ${spellDate(end)}`;

function Doubts({ view }: { view: BringOverView }) {
  if (view.doubts.length === 0) return null;
  return (
    <IdentityAlarm question="Is this the right source?">
      It goes by {view.doubts.map(({ says }) => `“${says}”`).join(', ')}, and this shell is {view.code}.
    </IdentityAlarm>
  );
}

function AddedBefore({ id, earlier }: { id: string; earlier: NonNullable<BringOverView['earlier']> }) {
  const { runId, at } = earlier;
  return (
    <Alert severity="warning" role="alert">
      {runId === null
        ? 'This shell was read from this very package.'
        : `This very package was added on ${spellDate(at.slice(0, 10) as LocalDate)}.`}{' '}
      Only what is new can be added from it.{' '}
      {runId !== null && <Link href={`/shells/${id}/carry-out#run-${runId}`}>See what that did</Link>}
    </Alert>
  );
}

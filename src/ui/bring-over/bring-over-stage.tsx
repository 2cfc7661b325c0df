'use client';
import { useMemo, useState } from 'react';
import { isTaken, type Choice } from '@/core/add/choose';
import type { IncomingKey } from '@/core/add/incoming';
import { outlineAfter, shellOfLines, type LineAfter } from '@/core/add/outline-after';
import type { BringOverDates } from '@/services/show/bring-in/bring-over-dates';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import { everyStanding, treeRows, type TreeRow } from '../add/tree-model';
import { useAnswer } from '../jobs/use-answer';
import { toggled } from '../marks/toggled';
import { SmallCloth } from '../marks/small-cloth';
import { drawnFrom } from '../stage/drawn-stage';
import { BringOverFoot } from './bring-over-foot';
import { BringOverHead } from './bring-over-head';
import { plainNumber } from './plain-number';
import { LookCard } from './look-card';
import { SourceList } from './source-list';
import { hintsByKey, lookWanted, sourceRows, wholeSource, type SourceFilter } from './source-rows';
import { TargetList } from './target-list';
import { useBringing, type Bringing } from './use-bringing';
import styles from './bring-over.module.css';

/** A source beside the shell: what is ticked on the left stands in its place on the right at once. */
function BringOverStage({ view }: { view: BringOverView | null }) {
  return view === null ? (
    <p role="status">Nothing is waiting to be brought over.</p>
  ) : (
    <BringOver view={view} />
  );
}

function BringOver({ view }: { view: BringOverView }) {
  const state = useBringing(view);
  const { bringing, choice } = state;
  const [filter, setFilter] = useState<SourceFilter>(wholeSource);
  const [current, setCurrent] = useState<TreeRow | null>(null);
  const [opened, setOpened] = useState<TreeRow | null>(null);
  const dates = useDates(view, bringing);
  return (
    <div
      className={styles.page}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setOpened(null);
      }}
    >
      <BringOverHead
        view={view}
        state={state}
        filter={filter}
        onFilter={(next) => setFilter((now) => ({ ...now, ...next }))}
        dates={dates}
        isTaken={(key) => isTaken(choice, key)}
      />
      <div className={styles.sides}>
        <SourceSide
          view={view}
          state={state}
          filter={filter}
          cardHeight={opened?.row === 'thing' ? cardHeight : 0}
          onFold={(key) => setFilter((now) => ({ ...now, folded: toggled(now.folded, [key]) }))}
          onCurrent={setCurrent}
          onOpen={setOpened}
        />
        <ShellSide view={view} state={state} current={current} dates={dates} />
        {opened?.row === 'thing' && (
          <LookCard view={view} thing={opened.thing} choice={choice} onClose={() => setOpened(null)} />
        )}
      </div>
      <BringOverFoot view={view} state={state} />
    </div>
  );
}

/** The most that the card with a thing takes of the list under it, in pixels. */
const cardHeight = 250;

interface SideProps {
  readonly view: BringOverView;
  readonly state: ReturnType<typeof useBringing>;
}

interface SourceSideProps extends SideProps {
  readonly filter: SourceFilter;
  readonly cardHeight: number;
  readonly onFold: (key: string) => void;
  readonly onCurrent: (row: TreeRow) => void;
  readonly onOpen: (row: TreeRow) => void;
}

/** The source under its cloth. */
function SourceSide({ view, state: { bringing, choice, change }, filter, ...list }: SourceSideProps) {
  const hints = useMemo(() => hintsByKey(view), [view]);
  const rows = useMemo(() => treeRows(view.preview, everyStanding), [view]);
  // What is ticked changes the rows only where those alone are shown.
  const shownChoice = filter.only === 'chosen' ? choice : null;
  const shown = useMemo(
    () => sourceRows(view, rows, filter, (key) => isChosen(shownChoice, key), lookWanted(view)),
    [view, rows, filter, shownChoice],
  );
  return (
    <section className={styles.side} aria-label="Source">
      <div className={styles.sideHead}>
        <SmallCloth code={view.sourceCode} title={view.title || view.packageName} />
        <b>{view.sourceTerm.title || (view.sourceCode === '' ? view.packageName : view.title)}</b>
        <span className="soft number">{plainNumber(view.preview.things.length)} things</span>
      </div>
      <SourceList
        rows={shown}
        chosen={bringing.chosen}
        needed={choice.needed}
        hints={hints}
        folded={filter.folded}
        onToggle={(keys) =>
          change((now) => ({ chosen: toggled(now.chosen, onlyOpen(keys, view, now.chosen)) }))
        }
        {...list}
      />
    </section>
  );
}

const isChosen = (choice: Choice | null, key: IncomingKey): boolean =>
  choice !== null && (isTaken(choice, key) || choice.replaced.has(key));

interface ShellSideProps extends SideProps {
  /** The row of the source that the keys are at. */
  readonly current: TreeRow | null;
  readonly dates: BringOverDates | null;
}

/** The shell as it would become, under its cloth. */
function ShellSide({ view, state: { bringing, choice, change }, current, dates }: ShellSideProps) {
  const lines = useLines(view, bringing, choice);
  const things = useMemo(() => new Map(view.preview.things.map((thing) => [thing.key, thing])), [view]);
  return (
    <section className={styles.side} aria-label="Shell">
      <div className={styles.sideHead}>
        <SmallCloth code={view.code} title={view.code} />
        <b>as it would become</b>
        <span className="soft number">
          {plainNumber(view.lines.length)} → {plainNumber(lines.length)} items
        </span>
      </div>
      <TargetList
        lines={lines}
        at={lineOf(current, lines)}
        things={things}
        dates={dates?.rows ?? noDates}
        isBeside={(key) => bringing.chosen.has(key)}
        onDiffers={(key, way) => change((now) => settled(now, key, way))}
      />
    </section>
  );
}

const noDates = {};

/** The dates of the source as they would move. */
function useDates(view: BringOverView, { dating, sourceTerm }: Bringing): BringOverDates | null {
  const query = new URLSearchParams({
    mode: dating.mode,
    days: String(dating.days),
    start: sourceTerm.start ?? '',
    end: sourceTerm.end ?? '',
  });
  const answer = useAnswer<BringOverDates>(
    `/api/shells/${view.shellId}/stages/bring-over-dates?${query.toString()}`,
  );
  if (answer?.trouble) return { rows: null, trouble: answer.trouble };
  return answer?.value ?? null;
}

/** The outline as it would become. */
function useLines(view: BringOverView, { landing, hidden }: Bringing, choice: Choice): readonly LineAfter[] {
  const shell = useMemo(() => shellOfLines(view.lines), [view]);
  const source = useMemo(() => shellOfLines(view.sourceLines), [view]);
  return useMemo(
    () => outlineAfter(shell, source, view.preview, choice, { landing, hidden }),
    [shell, source, view, choice, landing, hidden],
  );
}

/** Of a module its things that are new or were chosen: what is there already is no part of a tick. */
function onlyOpen(
  keys: readonly IncomingKey[],
  { preview }: BringOverView,
  chosen: ReadonlySet<IncomingKey>,
): readonly IncomingKey[] {
  if (keys.length === 1) return keys;
  const isOpen = new Set(preview.things.filter(({ proposed }) => proposed).map(({ key }) => key));
  const open = keys.filter((key) => isOpen.has(key) || chosen.has(key));
  return open.length > 0 ? open : keys;
}

function settled(now: Bringing, key: IncomingKey, way: 'keep' | 'replace' | 'beside'): Partial<Bringing> {
  const without = (keys: ReadonlySet<IncomingKey>) => new Set([...keys].filter((one) => one !== key));
  const chosen = without(now.chosen);
  const replace = without(now.replace);
  if (way === 'replace') replace.add(key);
  if (way === 'beside') chosen.add(key);
  return { chosen, replace };
}

/** The line that a row of the source has become, or stands for; -1 where there is none. */
const lineOf = (row: TreeRow | null, lines: readonly LineAfter[]): number =>
  row?.row === 'thing' ? lines.findIndex(({ key }) => key === row.key) : -1;

/** It asks for its view by itself. */
export const DrawnBringOver = drawnFrom(BringOverStage);

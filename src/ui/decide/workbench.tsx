'use client';
import { entryOf } from '@/core/entries';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { DecideView } from '@/services/show/decide/decide-view';
import type { SavedView } from '@/services/do/decide/saved-views';
import { UprightCoat } from '../coat/upright-coat';
import { DecideActions } from './decide-actions';
import { EvidencePanel } from './evidence-panel';
import { FilterBar } from './filter-bar';
import { FindingList } from './finding-list';
import { KeyHelp } from './key-help';
import type { ThingChoice } from './take-box';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { useEvidence, type LoadedEvidence } from './use-evidence';
import { useWorkbench, type WorkbenchState } from './use-workbench';
import { isUndecided, readFilter } from './filter';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './decide.module.css';

interface WorkbenchProps {
  readonly view: DecideView;
  readonly savedViews: readonly SavedView[];
}

/** What was found, to be decided; until the shell is combed, what is missing. */
export function Workbench({ view, savedViews }: WorkbenchProps) {
  return view.combed ? (
    <CombedWorkbench view={view} savedViews={savedViews} />
  ) : (
    <NotCombed shellId={view.id} />
  );
}

/** The findings workbench: list, evidence beside it, decisions by hand or by key, one or many at once. */
function CombedWorkbench({ view, savedViews }: WorkbenchProps) {
  const bench = useWorkbench(view);
  const { current, filter, rows } = bench;
  const here = useEvidence(view.id, current?.id ?? null);
  return (
    <div className={styles.bench}>
      <div className={styles.strip}>
        <UprightCoat sketch={view.sketch} findings={view.findings} current={current} onOpen={bench.look} />
      </div>
      <div className={styles.left}>
        <FilterBar bench={bench} savedViews={savedViews} />
        {rows.length ? (
          <FindingList
            rows={rows}
            current={current?.id ?? null}
            chosen={bench.chosen}
            fateOf={bench.decisions.actionOf}
            onCurrent={bench.look}
            onToggle={bench.toggle}
            onKey={(event) => takeKey(event, bench)}
          />
        ) : (
          <NothingListed shellId={view.id} bench={bench} />
        )}
        <KeyHelp isOpen={isUndecided(filter.state)} />
      </div>
      <div className={styles.right}>
        {current ? (
          <EvidencePanel
            shellId={view.id}
            finding={current}
            here={here}
            choice={isUndecided(filter.state) ? thingChoice(bench, here) : null}
          />
        ) : (
          <div className={styles.evidence} />
        )}
        <DecideActions shellId={view.id} bench={bench} here={here} />
      </div>
    </div>
  );
}

function thingChoice(bench: WorkbenchState, here: LoadedEvidence | null): ThingChoice {
  const ways = here?.evidence?.others ?? [];
  return {
    spared: bench.spared,
    spare: bench.spare,
    keepers: new Map(ways.flatMap((way) => (way.keeps === null ? [] : [[way.keeps, way] as const]))),
    keep: (way) => bench.change(way.place),
  };
}

function NotCombed({ shellId }: { shellId: string }) {
  const router = useRouter();
  // After a run its result is combed by itself, and whoever is here already waits for that.
  const combing = useJob(() => router.refresh(), { shellId, kind: 'comb' });
  const isCombing = combing.view?.state === 'waiting' || combing.view?.state === 'running';
  return (
    <div style={{ padding: 22, display: 'grid', gap: 14, maxWidth: 760 }}>
      <h1>{isCombing ? 'The shell is being combed' : 'There is nothing to decide yet'}</h1>
      {isCombing ? (
        <p style={{ margin: 0 }}>Its findings come here as soon as that is done.</p>
      ) : (
        <p style={{ margin: 0 }}>
          <Link href={`/shells/${shellId}/comb`}>Comb the shell</Link> first; its findings come here.
        </p>
      )}
      <JobProgress job={combing} label="Combing" />
    </div>
  );
}

function NothingListed({ shellId, bench }: { shellId: string; bench: WorkbenchState }) {
  const { filter, lists } = bench;
  if (lists[filter.state].length > 0) return <NothingPasses bench={bench} />;
  if (filter.state !== 'open') return <p style={{ padding: 16 }}>There is nothing here yet.</p>;
  return (
    <p style={{ padding: 16 }}>
      Nothing is open here.{' '}
      {bench.decisions.planSize > 0 ? (
        <Link href={`/shells/${shellId}/rehearse`}>Rehearse the plan</Link>
      ) : (
        <Link href={`/shells/${shellId}/decide`}>Show everything</Link>
      )}
    </p>
  );
}

function NothingPasses({ bench }: { bench: WorkbenchState }) {
  const { filter, setFilter } = bench;
  return (
    <p style={{ padding: 16 }}>
      Nothing passes these filters.{' '}
      <Button
        size="small"
        onClick={() => setFilter(readFilter(new URLSearchParams({ state: filter.state })))}
      >
        Show all of the list
      </Button>
    </p>
  );
}

/** Everything that the mouse does in the list, by key. */
function takeKey(event: React.KeyboardEvent, bench: WorkbenchState): void {
  const { key } = event;
  if (event.ctrlKey || event.metaKey) {
    if (key !== 'a') return;
    event.preventDefault();
    bench.chooseAll();
    return;
  }
  const { filter } = bench;
  const isOpen = isUndecided(filter.state);
  const whole = bench.rows.length;
  const keys: Readonly<Record<string, () => void>> = {
    ArrowDown: () => bench.move(1, event.shiftKey),
    j: () => bench.move(1, false),
    ArrowUp: () => bench.move(-1, event.shiftKey),
    k: () => bench.move(-1, false),
    PageDown: () => bench.move(10, event.shiftKey),
    PageUp: () => bench.move(-10, event.shiftKey),
    Home: () => bench.move(-whole, event.shiftKey),
    End: () => bench.move(whole, event.shiftKey),
    ' ': () => bench.current && bench.toggle([bench.current.id]),
    g: () => bench.toggle(bench.groupOfCurrent()),
    Escape: bench.chooseNone,
    a: () => isOpen && bench.accept(),
    l: () => isOpen && bench.leaveBe(),
    q: () => isOpen && filter.state !== 'asked' && bench.ask(),
    w: () => isOpen && filter.state !== 'later' && bench.later(),
    '/': () => document.getElementById('find-findings')?.focus(),
    u: () => filter.state !== 'open' && bench.reopen(),
  };
  const run = entryOf(keys, key);
  if (!run) return;
  event.preventDefault();
  run();
}

/** It asks for its view by itself. */
export const DrawnWorkbench = drawnFrom(Workbench);

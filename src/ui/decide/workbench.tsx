'use client';
import Link from 'next/link';
import type { DecideView } from '@/services/decide/decide-view';
import { UprightCoat } from '../coat/upright-coat';
import { DecideActions } from './decide-actions';
import { DecideViews } from './decide-views';
import { EvidencePanel } from './evidence-panel';
import { FilterBar } from './filter-bar';
import { FindingList } from './finding-list';
import { KeyHelp } from './key-help';
import { useEvidence } from './use-evidence';
import { useWorkbench, type WorkbenchState } from './use-workbench';
import { isUndecided } from './list-model';
import styles from './decide.module.css';

/** The findings workbench: list, evidence beside it, decisions by hand or by key, one or many at once. */
export function Workbench({ view }: { view: DecideView }) {
  const bench = useWorkbench(view);
  const { current, filter, rows } = bench;
  const here = useEvidence(view.id, current?.id ?? null);
  if (!view.combed) return <NotCombed shellId={view.id} />;
  return (
    <div className={styles.bench}>
      <div className={styles.strip}>
        <UprightCoat sketch={view.sketch} findings={view.findings} current={current} onOpen={bench.look} />
      </div>
      <div className={styles.left}>
        <div>
          <div style={{ padding: '8px 12px 0' }}>
            <DecideViews shellId={view.id} />
          </div>
          <FilterBar bench={bench} />
        </div>
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
            choice={isUndecided(filter.state) ? { spared: bench.spared, spare: bench.spare } : null}
          />
        ) : (
          <div className={styles.evidence} />
        )}
        <DecideActions shellId={view.id} bench={bench} here={here} />
      </div>
    </div>
  );
}

function NotCombed({ shellId }: { shellId: string }) {
  return (
    <div style={{ padding: 22 }}>
      <h1>There is nothing to decide yet</h1>
      <p>
        <Link href={`/shells/${shellId}/comb`}>Comb the shell</Link> first; its findings come here.
      </p>
    </div>
  );
}

function NothingListed({ shellId, bench }: { shellId: string; bench: WorkbenchState }) {
  if (bench.filter.state !== 'open') return <p style={{ padding: 16 }}>There is nothing here yet.</p>;
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
    u: () => filter.state !== 'open' && bench.reopen(),
  };
  const run = keys[key];
  if (!run) return;
  event.preventDefault();
  run();
}

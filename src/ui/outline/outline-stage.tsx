'use client';
import { useDeferredValue, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { moveBeside, type Side } from '@/core/outline/move-gestures';
import { countOutOfOrder } from '@/core/outline/order-gestures';
import type { Shell } from '@/core/shell/model';
import { wordFinder } from '@/core/text/has-words';
import { plural } from '@/core/text/plural';
import type { OutlineView } from '@/services/show/decide/outline-view';
import { toggled } from '../marks/toggled';
import { HeldBack } from '../parts/held-back';
import { KeyHints } from '../parts/key-hints';
import { useChoice } from '../parts/use-choice';
import { outlineAction, treeKeys } from './outline-keys';
import { outlineRows, ranksOfView, type OutlineRow } from './outline-model';
import { OutlinePanel, type Tool } from './outline-panel';
import { OutlineStrip } from './outline-strip';
import { OutlineTree, type TreeHandle } from './outline-tree';
import { useOutline } from './use-outline';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './outline.module.css';

/** The outline as an editor: the tree, what is chosen, and everything that can be done with it. */
export function OutlineStage({ view }: { view: OutlineView }) {
  const outline = useOutline(view);
  const { shell, findings } = outline;
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [find, setFind] = useState('');
  const [tool, setTool] = useState<Tool | null>(null);
  const tree = useRef<TreeHandle>(null);
  const ranks = useMemo(() => ranksOfView(view), [view]);
  const allRows = useMemo(() => outlineRows(shell, closed), [shell, closed]);
  const rows = useMemo(() => filtered(allRows, find), [allRows, find]);
  const keys = useMemo(() => rows.map((row) => row.item.ref), [rows]);
  const choice = useChoice(keys);
  const current = rows[choice.at]?.item.ref ?? null;
  const about: ReadonlySet<string> =
    choice.chosen.size > 0 || current === null ? choice.chosen : new Set([current]);
  // The tree answers first; what can be done with the chosen ones is worked out after it.
  const panelShell = useDeferredValue(shell);
  const panelChoice = useDeferredValue(choice.chosen);
  const open = (row: OutlineRow, isOpen: boolean) =>
    setClosed((now) => (now.has(row.item.ref) === isOpen ? toggled(now, [row.item.ref]) : now));
  const onKey = (event: KeyboardEvent) => {
    const run = outlineAction(event, { outline, rows, choice, about, open, rename: () => setTool('rename') });
    if (!run) return;
    event.preventDefault();
    run();
  };
  const drop = (dragged: string, neighbour: string, side: Side) => {
    const refs = choice.chosen.has(dragged) ? choice.chosen : new Set([dragged]);
    outline.run('Move', moveBeside(shell, refs, neighbour, side));
  };
  return (
    <div className={styles.page}>
      <OutlineStrip rows={allRows} findings={findings} tree={tree} />
      <div className={styles.main}>
        <OutlineHead shell={shell} />
        <HeldBack held={outline.held} onClose={outline.forgetHeld} />
        <OutlineTree
          ref={tree}
          rows={rows}
          findings={findings}
          choice={choice}
          find={find}
          onFind={setFind}
          onKey={onKey}
          onOpen={open}
          onDrop={drop}
        />
        <KeyHints keys={treeKeys} />
      </div>
      <OutlinePanel
        shellId={view.id}
        shell={panelShell}
        refs={panelChoice}
        ranks={ranks}
        last={outline.last}
        tool={tool}
        onTool={setTool}
        onRun={outline.run}
        onUndo={outline.undo}
      />
    </div>
  );
}

function OutlineHead({ shell }: { shell: Shell }) {
  return (
    <div>
      <h1>{headlineOf(shell.items.length, countOutOfOrder(shell))}</h1>
      <p className="soft" style={{ margin: '4px 0 0' }}>
        As the plan so far would leave it. Every change here is a step of the plan.
      </p>
    </div>
  );
}

function headlineOf(items: number, { out, of }: { readonly out: number; readonly of: number }): string {
  if (out > 0) return `${out} of ${of} numbered modules out of order`;
  return plural(items, 'item') + ' in the outline and outside it';
}

/** The rows whose title has all the words; the tree as it is without any. */
function filtered(rows: readonly OutlineRow[], find: string): readonly OutlineRow[] {
  if (find.trim() === '') return rows;
  const hasWords = wordFinder(find);
  return rows.filter((row) => hasWords(row.item.title));
}

/** It asks for its view by itself. */
export const DrawnOutlineStage = drawnFrom(OutlineStage);

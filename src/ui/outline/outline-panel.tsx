'use client';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import type { Gesture } from '@/core/outline/gesture';
import { mergeModules, repeatThroughTerm, weekModules } from '@/core/outline/module-gestures';
import { placeByNumber } from '@/core/outline/place-by-number';
import { unwrapSingles } from '@/core/outline/move-gestures';
import { numberAnew, sortSiblings, type SourceRanks } from '@/core/outline/order-gestures';
import type { Shell } from '@/core/shell/model';
import { plural } from '@/core/text/plural';
import { RedateChosen } from '../redate/redate-chosen';
import { BesideForm, PatternForm, WrapForm } from './outline-forms';
import { chosenItems } from './outline-model';
import styles from './outline.module.css';

/** Gestures that ask for something first. */
export type Tool = 'beside' | 'wrap' | 'rename';

interface OutlinePanelProps {
  readonly shellId: string;
  readonly shell: Shell;
  readonly refs: ReadonlySet<string>;
  readonly ranks: SourceRanks;
  readonly last: string | null;
  readonly tool: Tool | null;
  readonly onTool: (tool: Tool | null) => void;
  readonly onRun: (words: string, gesture: Gesture) => void;
  readonly onUndo: () => void;
}

/** What is chosen, and what can be done with it, by question; each button says how many it touches. */
export function OutlinePanel(props: OutlinePanelProps) {
  const { shellId, shell, refs, last, tool, onTool, onRun, onUndo } = props;
  const chosen = useMemo(() => chosenItems(shell, refs), [shell, refs]);
  const form = { shell, refs, onRun, onDone: () => onTool(null) };
  return (
    <aside className={styles.panel} aria-label="What to do with the outline">
      <div>
        <h2>{refs.size === 0 ? 'Nothing chosen' : `${plural(refs.size, 'item')} chosen`}</h2>
        <span className="soft">
          {refs.size === 0
            ? 'These are about the whole outline.'
            : `with ${plural(chosen.inside, 'more item')} inside; ${chosen.dated.length} have dates`}
        </span>
      </div>
      {tool === 'beside' && <BesideForm {...form} />}
      {tool === 'wrap' && <WrapForm {...form} />}
      {tool === 'rename' && <PatternForm {...form} />}
      {refs.size > 0 && <Switches refs={refs} onRun={onRun} />}
      <Places {...props} />
      {refs.size > 0 && (
        <section>
          <h3>Dates</h3>
          <div className={styles.buttons}>
            <RedateChosen shellId={shellId} refs={chosen.dated} />
            <GestureButton
              words="Clear dates of"
              gesture={
                chosen.dated.length ? [{ action: 'clear-dates', targets: chosen.dated, params: {} }] : []
              }
              onRun={onRun}
            />
          </div>
        </section>
      )}
      <Titles {...props} />
      <div className={styles.panelFoot}>
        <Button size="small" variant="text" disabled={last === null} onClick={onUndo}>
          {last === null ? 'Nothing to take back' : `Take back: ${last.toLowerCase()}`}
        </Button>
        <span className="soft">Nothing is changed yet; it all goes into the plan.</span>
      </div>
    </aside>
  );
}

interface GestureButtonProps {
  readonly words: string;
  readonly gesture: Gesture;
  readonly onRun: (words: string, gesture: Gesture) => void;
  readonly isChief?: boolean;
}

/** A gesture with its number of things; off where it would do nothing. */
export function GestureButton({ words, gesture, onRun, isChief = false }: GestureButtonProps) {
  const count = gesture.at(-1)?.targets.length ?? 0;
  return (
    <Button
      size="small"
      variant={isChief ? 'contained' : 'outlined'}
      disabled={gesture.length === 0}
      onClick={() => onRun(words, gesture)}
    >
      {words} {count > 0 && count.toLocaleString('en')}
    </Button>
  );
}

function Switches({ refs, onRun }: Pick<OutlinePanelProps, 'refs' | 'onRun'>) {
  const all = (action: string): Gesture => [{ action, targets: [...refs], params: {} }];
  return (
    <section>
      <h3>What students get</h3>
      <div className={styles.buttons}>
        <GestureButton words="Show" gesture={all('show')} onRun={onRun} />
        <GestureButton words="Hide" gesture={all('hide')} onRun={onRun} />
        <GestureButton words="Set aside" gesture={all('set-aside')} onRun={onRun} />
        <GestureButton words="Delete" gesture={all('delete')} onRun={onRun} />
      </div>
    </section>
  );
}

function Places({ shell, refs, ranks, tool, onTool, onRun }: OutlinePanelProps) {
  const gestures = useMemo(
    () => ({
      number: sortSiblings(shell, refs, 'number'),
      source: refs.size > 0 ? sortSiblings(shell, refs, 'source', ranks) : [],
      making: refs.size > 0 ? sortSiblings(shell, refs, 'making') : [],
      place: placeByNumber(shell, refs),
      merge: mergeModules(shell, refs),
      unwrap: unwrapSingles(
        shell,
        refs.size > 0 ? refs : new Set<string>(shell.items.map((item) => item.ref)),
      ),
      weeks: refs.size === 0 ? weekModules(shell, false) : [],
      days: refs.size === 0 ? weekModules(shell, true) : [],
      repeat: refs.size === 1 ? repeatThroughTerm(shell, [...refs][0] ?? '') : [],
    }),
    [shell, refs, ranks],
  );
  const button = (words: string, gesture: Gesture, isChief = false) =>
    gesture.length > 0 && <GestureButton words={words} gesture={gesture} onRun={onRun} isChief={isChief} />;
  return (
    <section>
      <h3>Place</h3>
      <div className={styles.buttons}>
        {button('Sort by number or name:', gestures.number, true)}
        {button('Place by number:', gestures.place, gestures.number.length === 0)}
        {refs.size > 0 && (
          <>
            <ToolButton words="Before or after …" tool="beside" now={tool} onTool={onTool} />
            <ToolButton words="Wrap in a module …" tool="wrap" now={tool} onTool={onTool} />
          </>
        )}
        {button('Sort as the source has them:', gestures.source)}
        {button('Sort by day of making:', gestures.making)}
        {button('Merge into the first:', gestures.merge)}
        {refs.size > 0 && (
          <GestureButton
            words="Lift out"
            gesture={[{ action: 'lift-out', targets: [...refs], params: {} }]}
            onRun={onRun}
          />
        )}
        {button('Unwrap single items:', gestures.unwrap)}
        {button('Repeat in each week:', gestures.repeat)}
        {button('Add weeks that are missing:', gestures.weeks)}
        {gestures.days.length > 0 && (
          <Button size="small" variant="outlined" onClick={() => onRun('Add weeks with days', gestures.days)}>
            Add them with their days
          </Button>
        )}
      </div>
    </section>
  );
}

function ToolButton({
  words,
  tool,
  now,
  onTool,
}: {
  words: string;
  tool: Tool;
  now: Tool | null;
  onTool: (tool: Tool | null) => void;
}) {
  return (
    <Button
      size="small"
      variant="outlined"
      aria-expanded={now === tool}
      onClick={() => onTool(now === tool ? null : tool)}
    >
      {words}
    </Button>
  );
}

function Titles({ shell, refs, tool, onTool, onRun }: OutlinePanelProps) {
  const anew = useMemo(() => (refs.size > 0 ? numberAnew(shell, refs) : []), [shell, refs]);
  if (refs.size === 0) return null;
  return (
    <section>
      <h3>Titles</h3>
      <div className={styles.buttons}>
        <ToolButton words="Rename by pattern …" tool="rename" now={tool} onTool={onTool} />
        <GestureButton words="Number anew" gesture={anew} onRun={onRun} />
      </div>
    </section>
  );
}

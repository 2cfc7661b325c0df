import { entryOf } from '@/core/entries';
import type { KeyboardEvent } from 'react';
import type { Gesture } from '@/core/outline/gesture';
import { indent, moveByOne, outdent } from '@/core/outline/move-gestures';
import type { Choice } from '../parts/use-choice';
import type { OutlineRow } from './outline-model';
import type { OutlineState } from './use-outline';

export const treeKeys = [
  ['↑ ↓', 'go'],
  ['Space', 'choose'],
  ['Alt ↑ ↓', 'move'],
  ['Alt ← →', 'out, in'],
  ['F2', 'rename'],
  ['H S', 'hide, show'],
  ['Ctrl Z', 'take back'],
] as const;

/** What the keys of the tree work on. */
export interface KeyedOutline {
  readonly outline: OutlineState;
  readonly rows: readonly OutlineRow[];
  readonly choice: Choice;
  /** The chosen items, else the one that the keys are at. */
  readonly about: ReadonlySet<string>;
  open(row: OutlineRow, isOpen: boolean): void;
  rename(): void;
}

type Action = (() => void) | undefined;

/** What a key does in the tree; undefined where it does nothing there. */
export function outlineAction(event: KeyboardEvent, keyed: KeyedOutline): Action {
  if (event.ctrlKey || event.metaKey) return withControl(event.key.toLowerCase(), keyed);
  return event.altKey ? withAlt(event.key, keyed) : alone(event, keyed);
}

function withControl(key: string, { outline, choice }: KeyedOutline): Action {
  const actions: Readonly<Record<string, () => void>> = { z: outline.undo, a: choice.toggleAll };
  return entryOf(actions, key);
}

function withAlt(key: string, { outline, about }: KeyedOutline): Action {
  const { shell, run } = outline;
  const actions: Readonly<Record<string, () => void>> = {
    ArrowUp: () => run('Move up', moveByOne(shell, about, false)),
    ArrowDown: () => run('Move down', moveByOne(shell, about, true)),
    ArrowRight: () => run('Move in', indent(shell, about)),
    ArrowLeft: () => run('Move out', outdent(shell, about)),
  };
  return entryOf(actions, key);
}

function alone({ key, shiftKey }: KeyboardEvent, keyed: KeyedOutline): Action {
  const { outline, rows, choice, about, open } = keyed;
  const row = rows[choice.at];
  const switched = (action: 'hide' | 'show'): Gesture => [{ action, targets: [...about], params: {} }];
  const actions: Readonly<Record<string, () => void>> = {
    ArrowDown: () => choice.move(1, shiftKey),
    ArrowUp: () => choice.move(-1, shiftKey),
    PageDown: () => choice.move(12, shiftKey),
    PageUp: () => choice.move(-12, shiftKey),
    Home: () => choice.move(-Infinity, shiftKey),
    End: () => choice.move(Infinity, shiftKey),
    ArrowRight: () => row && row.inside > 0 && open(row, true),
    ArrowLeft: () => (row?.isOpen ? open(row, false) : goToParent(row, keyed)),
    ' ': () => choice.toggle(choice.at, shiftKey),
    Escape: choice.clear,
    F2: keyed.rename,
    h: () => outline.run('Hide', switched('hide')),
    s: () => outline.run('Show', switched('show')),
  };
  return entryOf(actions, key);
}

function goToParent(row: OutlineRow | undefined, { rows, choice }: KeyedOutline): void {
  const parent = rows.findIndex(({ item }) => item.ref === row?.item.parent);
  if (parent >= 0) choice.move(parent - choice.at, false);
}

import { entryOf } from '@/core/entries';
import type { KeyboardEvent } from 'react';

/** What the keys of the grid of values do. */
export interface GridDoing {
  /** Goes by so many rows and columns; chooses the way where it is extended. */
  step(down: number, right: number, extend: boolean): void;
  /** Begins to type into the cell that the keys are at: over it, or on with what stands in it (null). */
  type(text: string | null): void;
  leaveTyping(): void;
  empty(): void;
  fillDown(): void;
  undo(): void;
}

type Action = (() => void) | undefined;

/** What a key does in the grid; undefined where it does nothing there. */
export function gridAction(event: KeyboardEvent, isTyping: boolean, doing: GridDoing): Action {
  const { key, shiftKey } = event;
  if (isTyping) return whileTyping(key, shiftKey, doing);
  if (event.ctrlKey || event.metaKey) return withControl(key.toLowerCase(), doing);
  const isLetter = key.length === 1 && !event.altKey && key !== '?';
  return inGrid(key, shiftKey, doing) ?? (isLetter ? () => doing.type(key) : undefined);
}

function whileTyping(key: string, shift: boolean, doing: GridDoing): Action {
  const actions: Readonly<Record<string, () => void>> = {
    Enter: () => doing.step(1, 0, false),
    Tab: () => doing.step(0, shift ? -1 : 1, false),
    Escape: doing.leaveTyping,
  };
  return entryOf(actions, key);
}

function withControl(key: string, doing: GridDoing): Action {
  const actions: Readonly<Record<string, () => void>> = { d: doing.fillDown, z: doing.undo };
  return entryOf(actions, key);
}

function inGrid(key: string, shift: boolean, doing: GridDoing): Action {
  const step = (down: number, right: number) => () => doing.step(down, right, shift);
  const actions: Readonly<Record<string, () => void>> = {
    ArrowDown: step(1, 0),
    ArrowUp: step(-1, 0),
    ArrowRight: step(0, 1),
    ArrowLeft: step(0, -1),
    PageDown: step(12, 0),
    PageUp: step(-12, 0),
    Home: step(-Infinity, 0),
    End: step(Infinity, 0),
    Enter: () => doing.type(null),
    F2: () => doing.type(null),
    Delete: doing.empty,
    Backspace: doing.empty,
  };
  return entryOf(actions, key);
}

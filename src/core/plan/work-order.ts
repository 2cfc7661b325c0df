import { entryOf } from '@/core/entries';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import type { ActionName } from './actions/registry';
import { refsOf } from './refs-of-shell';
import { actionOf, type AnyTarget, type Step } from './step';
import { writeStep } from './written-step';

/** One thing to be done by hand, where it is found, and by what it is known to be done. */
export interface WorkOrderLine {
  /** The step’s place in the list that it was made from, and the ref of its target. */
  readonly step: number;
  readonly ref: string;
  /** Titles of what is around it, the outermost first; empty for what stands in no module. */
  readonly place: readonly string[];
  readonly what: string;
  readonly lookFor: string;
}

/** Lines that share a place, in the order of the shell. */
export interface WorkOrderPlace {
  readonly place: readonly string[];
  readonly lines: readonly WorkOrderLine[];
}

/** What is to be done by hand to do some steps, place by place in the order of the shell, each place in the steps’ order. */
export function workOrderOf(shell: Shell, steps: readonly Step[]): WorkOrderPlace[] {
  const lines = steps.flatMap((step, n) => linesOf(shell, step, n));
  const places = new Map<string, WorkOrderLine[]>();
  for (const line of lines) {
    const key = JSON.stringify(line.place);
    const known = places.get(key);
    if (known) known.push(line);
    else places.set(key, [line]);
  }
  const order = placeOrder(shell);
  return [...places.values()]
    .map((those) => ({ place: those[0]?.place ?? [], lines: those }))
    .sort((a, b) => (order.get(placeKey(a)) ?? -1) - (order.get(placeKey(b)) ?? -1));
}

const placeKey = ({ place }: Pick<WorkOrderPlace, 'place'>): string => JSON.stringify(place);

function placeOrder(shell: Shell): ReadonlyMap<string, number> {
  const order = new Map<string, number>();
  for (const item of shell.items) {
    const key = JSON.stringify(placeOf(shell, item.ref));
    if (!order.has(key)) order.set(key, order.size);
  }
  return order;
}

function placeOf(shell: Shell, ref: string): readonly string[] {
  const outline = outlineOf(shell);
  const item = outline.byRef.get(ref as ItemRef);
  return item ? outline.path(item) : [];
}

function linesOf(shell: Shell, step: Step, n: number): WorkOrderLine[] {
  const { params } = writeStep(step);
  const titles = refsOf(shell);
  return (step.targets as readonly AnyTarget[]).map(({ ref }) => {
    const asked = { shell, ref, title: titles.titleOf(ref), params };
    return { step: n, ref, place: placeOf(shell, ref), ...wordsFor(step.action, asked) };
  });
}

type Words = Pick<WorkOrderLine, 'what' | 'lookFor'>;

interface Asked {
  readonly shell: Shell;
  readonly ref: string;
  readonly title: string;
  readonly params: Readonly<Record<string, unknown>>;
}

/** What to do and what to look for, in sentences, of the actions that have words of their own. */
const wordsByAction: Readonly<Partial<Record<ActionName, (asked: Asked) => Words>>> = {
  delete: ({ title }) => ({ what: `Delete “${title}”.`, lookFor: 'It is not listed any more.' }),
  hide: ({ title }) => ({ what: `Hide “${title}” from students.`, lookFor: 'It is marked as hidden.' }),
  show: ({ title }) => ({
    what: `Show “${title}” to students.`,
    lookFor: 'It is not marked as hidden any more.',
  }),
  rename: ({ title, ref, params }) => {
    const to = valueFor(params['titles'], ref);
    return { what: `Rename “${title}” to “${to}”.`, lookFor: `It is called “${to}”.` };
  },
  move: moveWords,
  place: moveWords,
  'set-facts': ({ params }) => ({
    what: `Change what the shell says of itself: ${sayFacts(params)}.`,
    lookFor: 'The shell’s own page says so.',
  }),
  'delete-questions': ({ title, params }) => ({
    what: `Delete these questions from “${title}”: ${sayValue(params['questions'])}.`,
    lookFor: 'It holds only the others.',
  }),
};

function moveWords({ shell, title, params }: Asked): Words {
  const { into } = params;
  const goal = typeof into === 'string' ? `“${refsOf(shell).titleOf(into)}”` : 'the top of the outline';
  return { what: `Move “${title}” into ${goal}.`, lookFor: `It stands in ${goal}.` };
}

/** An action without words of its own is told by its label and what it sets. */
function wordsFor(action: ActionName, asked: Asked): Words {
  const ownWords = wordsByAction[action];
  if (ownWords) return ownWords(asked);
  return {
    what: `${actionOf(action).label} “${asked.title}”${sayParams(asked.params)}.`,
    lookFor: 'It is as written here when the page is opened again.',
  };
}

function valueFor(record: unknown, ref: string): string {
  const values = record as Readonly<Record<string, unknown>> | undefined;
  const value = entryOf(values, ref);
  return typeof value === 'string' ? value : '';
}

function sayFacts(params: Readonly<Record<string, unknown>>): string {
  return Object.entries(params)
    .map(([name, value]) => `${name} “${sayValue(value)}”`)
    .join(', ');
}

function sayParams(params: Readonly<Record<string, unknown>>): string {
  const said = Object.entries(params).filter(([, value]) => value !== null && value !== undefined);
  return said.length === 0
    ? ''
    : ` (${said.map(([name, value]) => `${name}: ${sayValue(value)}`).join('; ')})`;
}

function sayValue(value: unknown): string {
  if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean')
    return String(value);
  if (Array.isArray(value)) return value.map(sayValue).join(', ');
  if (typeof value !== 'object' || value === null) return '';
  return Object.values(value)
    .map(sayValue)
    .filter((text) => text !== '')
    .join(', ');
}

import type { Evidence, Subject } from '@/core/checks/finding/finding';
import { collect } from '@/core/collect';
import type { Shell } from '@/core/shell/model';
import { outlineOf, type Outline } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { spellBytes } from '@/core/text/spell-bytes';
import { sightOf } from '@/services/keep/shells/sight';

/** One of the many things that a finding is about. */
export interface ThingDetail {
  readonly type: Subject['type'];
  readonly ref: string;
  readonly title: string;
  /** Where it stands, outermost first. */
  readonly path: readonly string[];
  /** What students get of it; null where that is not asked of such a thing. */
  readonly students: string | null;
  /** Its dates, import, bytes or points, each with its word: “due 2027-03-12 23:59”. */
  readonly state: readonly string[];
  /** What the finding says of this one alone. */
  readonly says: readonly string[];
}

/** The things of a finding, each with its state and with what the evidence says of it alone. */
export function thingDetails(
  shell: Shell,
  subjects: readonly Subject[],
  evidence: readonly Evidence[],
): ThingDetail[] {
  const outline = outlineOf(shell);
  const batches = new Set(subjects.map(({ ref }) => outline.byRef.get(ref as ItemRef)?.batch ?? null));
  const stateOf = stateReader(shell, outline, batches.size > 1);
  const said = new Map<string, Evidence[]>();
  for (const fact of evidence) if (fact.where !== undefined) collect(said, fact.where, fact);
  return subjects.map((subject) => ({
    ...subject,
    ...stateOf(subject),
    says: (said.get(subject.ref) ?? []).flatMap((fact) => sayOf(subject, fact)),
  }));
}

/** Labels that only say that a place follows. */
const placeLabels = new Set(['Stands at', 'Place']);

/** A fact in a thing's own row need not say again where the thing stands. */
function sayOf({ title, path }: Subject, { label, value }: Evidence): string[] {
  const place = [...path, title].join(' › ');
  const isPlace = [place, path.join(' › '), title].includes(value);
  if (!isPlace) return [`${label}: ${value}`];
  return placeLabels.has(label) ? [] : [label];
}

type State = Pick<ThingDetail, 'students' | 'state'>;

/** Says the import only where the things came with different ones. */
function stateReader(shell: Shell, outline: Outline, saysBatch: boolean): (subject: Subject) => State {
  const files = new Map(shell.files.map((file) => [file.path as string, file]));
  const columns = new Map(shell.gradeColumns.map((column) => [column.ref as string, column]));
  return ({ type, ref }) => {
    switch (type) {
      case 'item':
        return itemState(outline, ref as ItemRef, saysBatch);
      case 'file': {
        const file = files.get(ref);
        if (!file) return { students: null, state: [] };
        const students = file.readableBy === 'staff' ? 'Staff only' : null;
        return { students, state: [spellBytes(file.bytes)] };
      }
      case 'gradeColumn': {
        const column = columns.get(ref);
        if (!column) return { students: null, state: [] };
        const points = column.points === null ? [] : [`${column.points} points`];
        const results = column.results === null ? 'results not known' : `${column.results} results`;
        return { students: null, state: [...points, results] };
      }
      case 'event':
      case 'gradeCategory':
      case 'bank':
      case 'group':
      case 'homePage':
      case 'shell':
        return { students: null, state: [] };
    }
  };
}

function itemState(outline: Outline, ref: ItemRef, saysBatch: boolean): State {
  const item = outline.byRef.get(ref);
  if (!item) return { students: null, state: [] };
  const dates = [
    ['opens', item.opens],
    ['due', item.due],
    ['closes', item.closes],
  ] as const;
  return {
    students: sightOf(outline, item),
    state: [
      ...dates.flatMap(([word, when]) => (when ? [`${word} ${spellMoment(when)}`] : [])),
      ...(saysBatch && item.batch !== null ? [item.batch] : []),
    ],
  };
}

/** `2027-03-12T23:59:00` as “2027-03-12 23:59”. */
const spellMoment = (when: string): string => when.slice(0, 16).replace('T', ' ');

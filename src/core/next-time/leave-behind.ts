import { entryOf } from '@/core/entries';
import { collect } from '@/core/collect';
import type { Step } from '@/core/plan/step';

export const areas = [
  'items',
  'files',
  'events',
  'grade setup',
  'question banks',
  'groups',
  'home pages',
] as const;
/** Where a copy asks what is to be taken along. */
export type Area = (typeof areas)[number];

/** One thing that was taken out of a shell, and need not be copied again. */
export interface LeftBehind {
  readonly area: Area;
  readonly title: string;
  /** What was done to it. */
  readonly did: 'deleted' | 'hidden' | 'set aside';
  /** How many things of this title. */
  readonly count: number;
}

/** A step that was done and stands, with the titles of its things. */
export interface DoneStep {
  readonly step: Pick<Step, 'action' | 'targets'>;
  readonly titles: readonly string[];
}

const areaOfType: Readonly<Record<string, Area>> = {
  item: 'items',
  file: 'files',
  event: 'events',
  gradeCategory: 'grade setup',
  gradeColumn: 'grade setup',
  bank: 'question banks',
  group: 'groups',
  homePage: 'home pages',
};
const didOf: Readonly<Record<string, LeftBehind['did']>> = {
  delete: 'deleted',
  hide: 'hidden',
  'set-aside': 'set aside',
};

/** What the next copy may leave behind: what was deleted, hidden or set aside, by area and title, the most frequent first. */
export function leaveBehind(steps: readonly DoneStep[]): readonly LeftBehind[] {
  const found = new Map<string, LeftBehind[]>();
  for (const { step, titles } of steps) {
    const did = didOf[step.action];
    if (did === undefined) continue;
    step.targets.forEach((target, n) => {
      const area = areaOf(target);
      const title = titles[n] ?? target.ref;
      collect(found, keyOf({ area, title }), { area, title, did, count: 1 });
    });
  }
  // What was hidden first and then deleted was deleted.
  const lines = [...found.values()].flatMap((all): LeftBehind[] => {
    const last = all.at(-1);
    return last ? [{ ...last, count: all.filter(({ did }) => did === last.did).length }] : [];
  });
  return lines.sort(
    (a, b) =>
      areas.indexOf(a.area) - areas.indexOf(b.area) || b.count - a.count || (a.title < b.title ? -1 : 1),
  );
}

/** Names a line among the others. */
export const keyOf = ({ area, title }: Pick<LeftBehind, 'area' | 'title'>): string => `${area} ${title}`;

/** A deletion knows the type of what it deletes; only items are hidden and set aside. */
function areaOf({ expects }: Step['targets'][number]): Area {
  const type =
    typeof expects === 'object' && expects !== null && 'type' in expects ? String(expects.type) : 'item';
  return entryOf(areaOfType, type) ?? 'items';
}

import { keyOf, type ListName } from '@/core/edits/edit';
import type { Shell } from '@/core/shell/model';
import { withStudentWork } from '@/core/plan/areas/student-work';

/** Something that a plan takes away. */
export interface GoneThing {
  readonly ref: string;
  readonly title: string;
}

/** What comes back if a plan is taken back, and how. */
export interface Comebacks {
  /** As it was, under the very name that it had. */
  readonly returns: readonly GoneThing[];
  /** Made anew on the host, where it goes by another name then; links are led there. */
  readonly asNew: readonly GoneThing[];
  /** Comes back without what students did: posts, submissions and results stand in no restore point. */
  readonly forGood: readonly GoneThing[];
}

const countedLists = [
  'items',
  'files',
  'events',
  'gradeCategories',
  'gradeColumns',
  'banks',
  'groups',
] as const satisfies readonly ListName[];

/** Marks each thing that is there before and not after by whether and how it can come back. */
export function comebacksOf(before: Shell, after: Shell): Comebacks {
  const gone = countedLists.flatMap((list) => goneFrom(list, before, after));
  const work = new Set(withStudentWork(before, new Set(gone.map(({ ref }) => ref))));
  const rest = gone.filter(({ ref }) => !work.has(ref));
  const isLive = before.isLive === true;
  return {
    returns: isLive ? [] : rest,
    asNew: isLive ? rest : [],
    forGood: gone.filter(({ ref }) => work.has(ref)),
  };
}

function goneFrom(list: (typeof countedLists)[number], before: Shell, after: Shell): GoneThing[] {
  if (before[list] === after[list]) return [];
  const left = new Set(after[list].map(keyOf));
  return before[list]
    .filter((thing) => !left.has(keyOf(thing)))
    .map((thing) => ({ ref: keyOf(thing), title: 'title' in thing ? thing.title : keyOf(thing) }));
}

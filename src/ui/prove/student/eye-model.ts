import type { ItemKind } from '@/core/shell/model';
import { collect } from '@/core/collect';
import type { EyeDeadEnd, EyeLine, StudentsEye } from '@/core/students-eye/students-eye';
import { sayClosed, seenAt, type Seen } from '@/core/students-eye/sight';
import { isIn } from '@/core/students-eye/spans';
import { plural } from '@/core/text/plural';
import { dateOf, type LocalDateTime } from '@/core/dates/local-date';
import { shortDay } from '../../calendar/calendar-model';

/** What the student’s eye lists. */
export const eyeLists = ['seen', 'differs', 'dead-ends'] as const;
export type EyeList = (typeof eyeLists)[number];

/** One row: a thing as a student meets it, or does not. */
export interface EyeRow {
  readonly key: string;
  readonly level: number;
  readonly title: string;
  readonly seen: Seen;
  /** What is said beside it. */
  readonly note: string;
  /** The thing that is looked at with it. */
  readonly look: { readonly type: 'item' | 'file'; readonly ref: string };
}

export interface EyeRows {
  readonly rows: Readonly<Record<EyeList, readonly EyeRow[]>>;
  /** The dead ends that a student meets now, by the item in which they do. */
  readonly endsIn: ReadonlyMap<string, readonly EyeDeadEnd[]>;
}

/** Everything that is listed of a shell at a moment. */
export function eyeRows(eye: StudentsEye, moment: LocalDateTime): EyeRows {
  const ends = eye.deadEnds.filter(({ spans }) => isIn(spans, moment));
  const endsIn = new Map<string, EyeDeadEnd[]>();
  for (const end of ends) collect(endsIn, end.from, end);
  const all = eye.lines.map((line) => ({ line, seen: seenAt(line, moment) }));
  const direct = all.filter(({ line }) => line.direct);
  const others = all.filter(({ line }) => !line.direct);
  const ordered = [...direct, ...others];
  return {
    endsIn,
    rows: {
      seen: ordered
        .filter(({ seen }) => seen.sight === 'Shown')
        .map((one) => rowOf(one, noteOfSeen(one.line, endsIn.get(one.line.ref)?.length ?? 0, moment))),
      differs: [
        ...ordered.filter(({ seen }) => seen.sight !== 'Shown').map((one) => rowOf(one, one.seen.because)),
        ...eye.staffFiles.map(staffFileRow),
      ],
      'dead-ends': ends.map(deadEndRow),
    },
  };
}

const rowOf = ({ line, seen }: { line: EyeLine; seen: Seen }, note: string): EyeRow => ({
  key: line.ref,
  level: line.depth,
  title: line.title,
  seen,
  note,
  look: { type: 'item', ref: line.ref },
});

/** Kinds that a title does not tell. */
const toldKinds: ReadonlySet<ItemKind> = new Set([
  'announcement',
  'assignment',
  'discussion',
  'home-page',
  'quiz',
]);

/** A day beside the one that is looked at: a year that is another matters. */
const dayBeside = (when: LocalDateTime, moment: LocalDateTime): string =>
  when.slice(0, 4) === moment.slice(0, 4)
    ? shortDay(dateOf(when))
    : `${shortDay(dateOf(when))} ${when.slice(0, 4)}`;

function noteOfSeen(line: EyeLine, deadEnds: number, moment: LocalDateTime): string {
  return [
    ...(line.direct ? [] : ['reached by links alone']),
    ...(toldKinds.has(line.kind) ? [line.kind.replace('-', ' ')] : []),
    ...(line.due === null ? [] : [`due ${dayBeside(line.due, moment)}`]),
    ...(line.forGroups ? ['for some groups'] : []),
    ...(deadEnds > 0 ? [plural(deadEnds, 'dead end')] : []),
  ].join(' · ');
}

const staffFileRow = (path: string): EyeRow => ({
  key: `file ${path}`,
  level: 0,
  title: path,
  seen: { sight: 'Hidden', because: 'Staff alone may read it.' },
  note: 'Staff alone may read this file.',
  look: { type: 'file', ref: path },
});

const deadEndRow = (end: EyeDeadEnd): EyeRow => ({
  key: `${end.from} ${end.to.type} ${end.to.ref}`,
  level: 0,
  title: end.fromTitle,
  seen: { sight: 'Shown', because: 'It is open.' },
  note: sayDeadEnd(end),
  look: { type: 'item', ref: end.from },
});

/** Where a link leads and why a student can’t follow it. */
export function sayDeadEnd({ to, toTitle, because }: EyeDeadEnd): string {
  switch (because.is) {
    case 'missing':
      return `Leads to ${to.ref}, which is not in the shell.`;
    case 'unreadable':
      return `Needs ${to.ref}, which staff alone may read.`;
    case 'never':
      return `Leads to “${toTitle}”, which its dates keep closed.`;
    case 'hidden':
    case 'staff-only':
    case 'shadowed':
    case 'locked':
      return `Leads to “${toTitle}”. ${sayClosed(because)}`;
  }
}

import { z } from 'zod';
import type { Addition, LandedThing } from '@/core/add/add-things';
import type { Choice } from '@/core/add/choose';
import {
  incomingTypes,
  leftOutReasons,
  standings,
  standingTitles,
  type AddPreview,
  type IncomingKey,
  type IncomingThing,
  type LeftOut,
} from '@/core/add/incoming';
import type { TakenDate } from '@/core/add/redate-taken';
import { redateWarnings } from '@/core/redate/ask';
import { redateFields } from '@/core/redate/thing-changes';
import type { Shell } from '@/core/shell/model';
import { plural } from '@/core/text/plural';

const count = z.int().min(0);
const ref = z.string();
const reasons = Object.keys(leftOutReasons) as [LeftOut, ...LeftOut[]];

/** What `add --format json` prints, `currycomb.add/1`; its schema stands in docs/schemas. */
export const addReportSchema = z.strictObject({
  schema: z.literal('currycomb.add/1'),
  into: z.strictObject({ code: z.string(), title: z.string() }),
  from: z.strictObject({
    code: z.string(),
    title: z.string(),
    term: z.strictObject({
      start: z.string().nullable(),
      end: z.string().nullable(),
      /** Nobody told it: it was worked out from the dates found. */
      inferred: z.boolean(),
    }),
  }),
  counts: z.strictObject({
    new: count,
    there: count,
    differs: count,
    doubled: count,
    proposed: count,
    taken: count,
    replaced: count,
    brokenLinks: count,
  }),
  things: z.array(
    z.strictObject({
      type: z.enum(incomingTypes),
      ref,
      kind: z.string(),
      title: z.string(),
      standing: z.enum(standings),
      counterpart: ref.nullable(),
      proposed: z.boolean(),
      leftOut: z.enum(reasons).nullable(),
      taken: z.enum(['ticked', 'needed', 'replaced']).nullable(),
      /** What needs it directly. */
      for: z.array(ref),
      landed: z
        .strictObject({ ref, module: ref.nullable(), after: ref.nullable(), hidden: z.boolean() })
        .nullable(),
      dates: z.array(
        z.strictObject({
          field: z.enum(redateFields),
          old: z.string().nullable(),
          new: z.string().nullable(),
          warnings: z.array(z.enum(redateWarnings)),
        }),
      ),
    }),
  ),
  /** Links of what is taken that lead elsewhere than in the source, or nowhere. */
  links: z.array(z.strictObject({ from: ref, to: z.string(), now: ref.nullable() })),
});
export type AddReport = z.output<typeof addReportSchema>;
type Taken = AddReport['things'][number]['taken'];

/** An adding that was worked out, with everything that it was worked out from. */
export interface WorkedOutAddition {
  readonly into: Shell;
  readonly from: Shell;
  readonly preview: AddPreview;
  readonly choice: Choice;
  readonly addition: Addition;
}

/** An adding as JSON: every thing of the source, what becomes of it, and the links that change. */
export function addReport({ into, from, preview, choice, addition }: WorkedOutAddition): AddReport {
  const things = preview.things.map((thing) => thingOf(thing, choice, addition));
  const takenAs = (as: Taken) => things.filter(({ taken }) => taken === as).length;
  const { start, end, inferred } = addition.dates.term;
  return {
    schema: 'currycomb.add/1',
    into: { code: into.code, title: into.title },
    from: { code: from.code, title: from.title, term: { start, end, inferred } },
    counts: {
      ...preview.counts,
      proposed: things.filter(({ proposed }) => proposed).length,
      taken: takenAs('ticked') + takenAs('needed'),
      replaced: takenAs('replaced'),
      brokenLinks: addition.links.filter(({ now }) => now === null).length,
    },
    things,
    links: addition.links.map((link) => ({ ...link })),
  };
}

function thingOf(
  thing: IncomingThing,
  choice: Choice,
  { landed, dates }: Addition,
): AddReport['things'][number] {
  const { key, type, kind, title, standing, counterpart, proposed, leftOut } = thing;
  const taken = takenAs(key, choice);
  const at = landed.get(key);
  return {
    type,
    ref: thing.ref,
    kind,
    title,
    standing,
    counterpart: counterpart?.ref ?? null,
    proposed,
    leftOut,
    taken,
    for: (choice.needed.get(key) ?? []).map(refOfKey),
    landed: taken === null || at === undefined ? null : placeOf(at),
    dates: taken === null ? [] : datesOf(dates.rows.get(thing.ref) ?? []),
  };
}

const datesOf = (rows: readonly TakenDate[]): AddReport['things'][number]['dates'] =>
  rows.map((row) => ({ ...row, warnings: [...row.warnings] }));

const placeOf = ({ ref: at, module, after, hidden }: LandedThing) => ({ ref: at, module, after, hidden });

const refOfKey = (key: IncomingKey): string => key.slice(key.indexOf(' ') + 1);

function takenAs(key: IncomingKey, { ticked, needed, replaced }: Choice): Taken {
  if (replaced.has(key)) return 'replaced';
  if (ticked.has(key)) return 'ticked';
  return needed.has(key) ? 'needed' : null;
}

/** The same in words: what is taken, where it lands, what stays behind, and the links that would break. */
export function addText(report: AddReport): string {
  const { into, from, counts, things, links } = report;
  const titles = new Map(things.map((thing) => [thing.ref, thing.title]));
  const taken = things.filter((thing) => thing.taken !== null);
  const broken = links.filter(({ now }) => now === null);
  return [
    `${from.title || 'The source'} into ${into.title || into.code || 'the shell'}: ${plural(things.length, 'thing')}`,
    standings.map((standing) => `${standingTitles[standing]}: ${counts[standing]}`).join(', '),
    '',
    `Taken: ${counts.taken}${counts.replaced > 0 ? `, replaced: ${counts.replaced}` : ''}`,
    ...taken.map((thing) => `  ${thing.kind}: ${thing.title}${aboutTaken(thing, titles)}`),
    ...leftOutLines(things),
    ...(broken.length > 0 ? ['', `Links that would break: ${broken.length}`] : []),
    ...broken.map(({ from: at, to }) => `  ${titles.get(at) ?? at}: ${to}`),
    '',
  ].join('\n');
}

function aboutTaken(thing: AddReport['things'][number], titles: ReadonlyMap<string, string>): string {
  const need = thing.taken === 'needed' ? neededBy(thing.for, titles) : '';
  const replaced = thing.taken === 'replaced' ? ', replaces what is there' : '';
  const hidden = thing.landed?.hidden === true ? ', hidden' : '';
  const dates = thing.dates.map(({ field, old, new: date, warnings }) => {
    const moved = old === date ? (date ?? '') : `${old ?? ''} to ${date ?? 'no date'}`;
    return `, ${field} ${moved}${warnings.length > 0 ? ` (${warnings.join(', ')})` : ''}`;
  });
  return `${replaced}${need}${hidden}${dates.join('')}`;
}

/** So many are named; the others are counted. */
const mostNamed = 3;

function neededBy(users: readonly string[], titles: ReadonlyMap<string, string>): string {
  if (users.length === 0) return '';
  if (users.length > mostNamed) return `, needed by ${users.length} things`;
  return `, needed by ${users.map((user) => `“${titles.get(user) ?? user}”`).join(', ')}`;
}

function leftOutLines(things: AddReport['things']): string[] {
  const lines = things.flatMap(({ kind, title, leftOut, taken }) =>
    leftOut === null || taken !== null ? [] : [`  ${kind}: ${title}: ${leftOutReasons[leftOut]}`],
  );
  return lines.length > 0 ? ['', `Left out: ${lines.length}`, ...lines] : [];
}

import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import type { Place } from '@/core/plan/action/outline-changes';
import type { Asked, Target, ToDo } from '@/core/plan/action/action';

/** A place for each target, or one for all of them, one behind the other. */
export const placeParams = z.strictObject({
  places: refRecord(z.string().nullable()).optional(),
  /** For each target that has a neighbour of its own to stand before. */
  neighbours: refRecord(z.string()).optional(),
  into: z.string().nullable().optional(),
  before: z.string().nullable().optional(),
});
export type PlaceParams = z.output<typeof placeParams>;
export const placeSets = z.strictObject({ into: z.string().nullable(), before: z.string().nullable() });

export function placeFor(params: PlaceParams, ref: string): Place | null {
  if (params.places === undefined) return { into: params.into ?? null, before: params.before ?? null };
  const into = entryOf(params.places, ref);
  return into === undefined ? null : { into, before: entryOf(params.neighbours, ref) ?? null };
}

/** The place of a work order: “Week 2”, or the top of the outline. */
export const sayPlace = (into: string | null, titleOf: (ref: string) => string): string =>
  into === null ? 'the top of the outline' : `“${titleOf(into)}”`;

export function moveToDo({ title, sets, titleOf }: Asked<Place>): ToDo {
  const goal = sayPlace(sets.into, titleOf);
  return { what: `Move “${title}” into ${goal}.`, lookFor: `It is listed in ${goal}.` };
}

/** The shorter form where one place serves all. */
export function writtenPlaces(targets: readonly Target<unknown, Place>[]): PlaceParams {
  const [first] = targets;
  const isOne =
    first && targets.every(({ sets }) => sets.into === first.sets.into && sets.before === first.sets.before);
  if (first && isOne) return { into: first.sets.into, before: first.sets.before };
  const neighbours = targets.flatMap(({ ref, sets }) => (sets.before === null ? [] : [[ref, sets.before]]));
  return {
    places: Object.fromEntries(targets.map(({ ref, sets }) => [ref, sets.into])),
    ...(neighbours.length ? { neighbours: Object.fromEntries(neighbours) as Record<string, string> } : {}),
  };
}

import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { lost, UnreadableStore } from '@/core/shell/unreadable-store';

/** The form that is written now. Every form that was ever published opens: see the fixtures beside the test. */
export const stateForm = 'currycomb.state/2';

/** A part of a shell: what changes together. */
export interface StatePart {
  readonly name: string;
  readonly fields: readonly (keyof Shell)[];
  /** Blobs that the part is of no use without. */
  readonly holds: (bare: Shell) => Iterable<string>;
}
const nothing = () => [];

export const stateParts: readonly StatePart[] = [
  {
    name: 'facts',
    fields: [
      'ref',
      'code',
      'title',
      'timeZone',
      'term',
      'previousTerm',
      'schoolYear',
      'noClassDays',
      'asOf',
      'enrolments',
      'frame',
      'isLive',
    ],
    holds: nothing,
  },
  { name: 'outline', fields: ['items'], holds: nothing },
  { name: 'contents', fields: ['contents'], holds: (bare) => bare.contents.flatMap((c) => c.texts) },
  {
    name: 'files',
    fields: ['files'],
    holds: (bare) => bare.files.flatMap((f) => (f.text === null ? [f.sha256] : [f.sha256, f.text])),
  },
  {
    name: 'entries',
    fields: ['entries'],
    holds: (bare) => bare.entries.flatMap((e) => (e.text === null ? [e.sha256] : [e.sha256, e.text])),
  },
  { name: 'events', fields: ['events', 'calendar'], holds: nothing },
  {
    name: 'setup',
    fields: ['gradeCategories', 'gradeColumns', 'banks', 'groups', 'homePages'],
    holds: nothing,
  },
  { name: 'compared', fields: ['previousEvents', 'baseline'], holds: nothing },
];

export interface StateRoot {
  readonly form: typeof stateForm;
  readonly parts: Readonly<Record<string, Sha256>>;
}
const rootSchema = z.strictObject({ form: z.literal(stateForm), parts: z.record(z.string(), z.string()) });
const partSchema = z.strictObject({
  form: z.literal(stateForm),
  part: z.string(),
  value: z.record(z.string(), z.unknown()),
});

export type OpenedState =
  | { readonly is: 'whole'; readonly shell: Shell }
  | { readonly is: 'parts'; readonly parts: Readonly<Record<string, Sha256>> };

/** Opens a kept state of any form: the first one was the whole shell without a tag. */
export function openState(kept: unknown): OpenedState {
  const root = rootSchema.safeParse(kept);
  if (root.success) return { is: 'parts', parts: root.data.parts as Record<string, Sha256> };
  if (typeof kept !== 'object' || kept === null) throw lost('The state of this shell');
  const form = (kept as { form?: unknown }).form;
  if (form !== undefined)
    throw new UnreadableStore(
      `This shell was kept by a later version of Currycomb, in the form ${JSON.stringify(form)}; update this one, and it opens again.`,
    );
  return { is: 'whole', shell: fromFirstForm(kept as Shell) };
}

/** The first form lacked what came later; each gets what it meant then. */
const fromFirstForm = (kept: Shell): Shell => ({ ...kept, schoolYear: kept.schoolYear ?? null });

export function openPart(name: string, kept: unknown): Partial<Shell> {
  const part = partSchema.safeParse(kept);
  if (!part.success || part.data.part !== name) throw lost(`Part of this shell (${name})`);
  return part.data.value;
}

import type { z } from 'zod';
import { cutQuote } from '@/core/text/clip';

/** The first thing that keeps a value from being what its schema says. */
export interface Misfit {
  /** Where: `steps.0.targets`; empty for the value as a whole. */
  readonly place: string;
  /** What is the matter there, without a full stop. */
  readonly words: string;
}

export type ReadAs<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly misfit: Misfit };

/** Reads what comes from outside against its schema; a misfit is told in words that are for people. */
export function readAs<S extends z.ZodType>(schema: S, value: unknown): ReadAs<z.output<S>> {
  const parsed = schema.safeParse(value, { error: wordsFor });
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  const place = cutQuote(issue?.path.map(String).join('.') ?? '');
  return { ok: false, misfit: { place, words: issue?.message ?? 'it can’t be read' } };
}

/** A misfit as one clause: “steps.0.targets: a list is missing here”. */
export const sayMisfit = ({ place, words }: Misfit): string => (place === '' ? words : `${place}: ${words}`);

const nouns = new Map([
  ['string', 'text'],
  ['number', 'a number'],
  ['int', 'a whole number'],
  ['boolean', 'true or false'],
  ['array', 'a list'],
  ['object', 'an object'],
  ['record', 'an object'],
  ['null', 'null'],
  ['nan', 'a number'],
]);
const nounOf = (type: string): string => nouns.get(type) ?? type;

/** At most so many choices are named. */
const mostChoices = 12;

/** What Zod found, in words; a schema that says something of its own is not asked here. */
export function wordsFor(issue: z.core.$ZodRawIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? `${nounOf(issue.expected)} is missing here`
        : `this must be ${nounOf(issue.expected)}`;
    case 'invalid_value':
      return wordsForChoice(issue.values.map(String));
    case 'unrecognized_keys':
      return `“${cutQuote(issue.keys.slice(0, 3).join('”, “'))}” is not known here`;
    case 'too_big':
      return `this must be at most ${sayLimit(issue.maximum, issue.origin)}`;
    case 'too_small':
      return `this must be at least ${sayLimit(issue.minimum, issue.origin)}`;
    case 'invalid_format':
      return 'this is not written as it must be';
    case 'custom':
    case 'invalid_element':
    case 'invalid_key':
    case 'invalid_union':
    case 'not_multiple_of':
      return 'this does not fit';
  }
}

function wordsForChoice(choices: readonly string[]): string {
  const [only] = choices;
  if (choices.length === 1) return `this must be “${only}”`;
  if (choices.length > mostChoices) return 'this must be one of the known values';
  return `this must be one of ${choices.join(', ')}`;
}

const units = new Map([
  ['string', ' characters'],
  ['array', ' entries'],
]);
const sayLimit = (limit: number | bigint, origin: string): string =>
  `${limit.toLocaleString('en')}${units.get(origin) ?? ''}`;

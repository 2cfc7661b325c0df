import { cutQuote } from '@/core/text/clip';
import { wordsFor } from '@/core/schema/read-as';
import { distance } from 'fastest-levenshtein';
import { z } from 'zod';
import { sharedRules, type SharedRules } from './shared-rules';
import { urgencies, type CheckId, type Urgency } from '@/core/checks/finding/finding';

/** A department's settings: lists of phrases and hosts, terms, and each check's own options. */
export type HouseRules = SharedRules & {
  readonly checks: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
};

/** What house rules set of a check. */
interface SettableCheck {
  readonly id: CheckId;
  readonly urgency: Urgency;
  readonly options: z.ZodObject;
}

/** The strict schema of a house rules file; each check adds its own options, `on` and `urgency`. */
export function houseRulesSchema(checks: readonly SettableCheck[]): z.ZodType<HouseRules> {
  const perCheck = Object.fromEntries(
    checks.map((check) => [
      check.id,
      check.options
        .extend({ on: z.boolean().default(true), urgency: z.enum(urgencies).default(check.urgency) })
        .strict()
        .prefault({}),
    ]),
  );
  return z.strictObject({
    ...sharedRules,
    checks: z.strictObject(perCheck).prefault({}),
  });
}

/** Reads house rules; the error is one sentence that names the place and, for an unknown key, the nearest known one. */
export function readHouseRules(
  value: unknown,
  checks: readonly SettableCheck[],
): { ok: HouseRules } | { error: string } {
  const excess = excessIn(value);
  if (excess !== null) return { error: `House rules: ${excess}` };
  const result = houseRulesSchema(checks).safeParse(value, { error: wordsFor });
  if (result.success) return { ok: result.data };
  const issue = result.error.issues[0];
  if (!issue) return { error: 'The house rules could not be read.' };
  const place = issue.path.join('.') || 'the top level';
  if (issue.code === 'unrecognized_keys') {
    const key = issue.keys[0] ?? '';
    const known = [
      ...Object.keys(sharedRules),
      'checks',
      ...checks.flatMap((c) => [c.id, ...Object.keys(c.options.shape), 'on', 'urgency']),
    ];
    return {
      error: `House rules: "${cutQuote(key)}" at ${place} is no setting; the nearest one is "${nearest(key, known)}".`,
    };
  }
  return { error: `House rules: ${cutQuote(place)}: ${issue.message}.` };
}

/** A word of house rules is looked for in every text, so neither it nor a list of them may be of any length. */
const longestWord = 500;
const mostWords = 2_000;
const deepest = 8;

/** What is too long in written rules, as the end of a sentence; null where nothing is. */
function excessIn(value: unknown, depth = 0): string | null {
  if (typeof value === 'string' && value.length > longestWord)
    return `“${cutQuote(value)}” is longer than ${longestWord} characters. Shorten it.`;
  // What is deeper than any setting is refused by the schema.
  if (typeof value !== 'object' || value === null || depth > deepest) return null;
  const entries = Object.entries(value);
  if (entries.length > mostWords)
    return `one setting has ${entries.length.toLocaleString('en')} entries, and at most ${mostWords.toLocaleString('en')} are read. Shorten it.`;
  for (const [name, inner] of entries) {
    if (name.length > longestWord)
      return `a setting has a name longer than ${longestWord} characters. Take it out.`;
    const excess = excessIn(inner, depth + 1);
    if (excess !== null) return excess;
  }
  return null;
}

export const defaultHouseRules = (checks: readonly SettableCheck[]): HouseRules =>
  houseRulesSchema(checks).parse({});

/** The known word with the smallest edit distance (Levenshtein 1966). */
export function nearest(word: string, known: readonly string[]): string {
  const asked = word.toLowerCase();
  let best = '';
  let least = Infinity;
  for (const one of known) {
    const away = distance(asked, one.toLowerCase());
    if (away < least || (away === least && one < best)) {
      least = away;
      best = one;
    }
  }
  return best;
}

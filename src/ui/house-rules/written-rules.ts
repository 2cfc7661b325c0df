import { entryOf, putEntry } from '@/core/entries';
import type { WrittenRules } from '@/services/keep/rules/written-rules';

type Own = Readonly<Record<string, unknown>>;

/** What was set by hand for one check; empty where all is as it comes. */
export const ownOf = (rules: WrittenRules, check: string): Own =>
  entryOf((rules['checks'] as Readonly<Record<string, Own>> | undefined) ?? {}, check) ?? {};

/** The rules with one setting of a check changed; a setting back at its default is left out, and an empty check with it. */
export function withSetting(
  rules: WrittenRules,
  check: string,
  name: string,
  value: unknown,
  normal: unknown,
): WrittenRules {
  const { [name]: _, ...settings } = ownOf(rules, check) as Record<string, unknown>;
  if (value !== normal && value !== undefined) putEntry(settings, name, value);
  const { [check]: __, ...checks } = (rules['checks'] ?? {}) as Record<string, unknown>;
  if (Object.keys(settings).length) putEntry(checks, check, settings);
  return without(rules, 'checks', Object.keys(checks).length ? checks : undefined);
}

/** The rules with one list changed; a list back at its default is left out. */
export const withList = (
  rules: WrittenRules,
  name: string,
  list: readonly string[],
  normal: readonly string[],
): WrittenRules =>
  without(
    rules,
    name,
    list.length === normal.length && list.every((w, i) => w === normal[i]) ? undefined : list,
  );

/** A term as the form holds it: days as they are typed. */
export interface WrittenTerm {
  readonly title: string;
  readonly start: string;
  readonly end: string;
  readonly noClass?: readonly string[];
}
export const termsOf = (rules: WrittenRules): readonly WrittenTerm[] =>
  (rules['terms'] as readonly WrittenTerm[] | undefined) ?? [];
/** The rules with other terms; without any, nothing is said of them. */
export const withTerms = (rules: WrittenRules, terms: readonly WrittenTerm[]): WrittenRules =>
  without(rules, 'terms', terms.length ? terms : undefined);

function without(rules: WrittenRules, name: string, value: unknown): WrittenRules {
  const { [name]: _, ...rest } = rules;
  return value === undefined ? rest : { ...rest, [name]: value };
}

/** The lines of a text field, empty ones left out. */
export const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');

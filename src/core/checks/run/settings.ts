import { z } from 'zod';
import type { CheckRecord } from '@/core/checks/check/check';
import { sharedRules, type SharedRules } from '@/core/checks/rules/shared-rules';

/** A setting of a check as a form shows it: a number with its bounds. */
export interface Setting {
  readonly name: string;
  readonly says: string;
  readonly whole: boolean;
  readonly least: number | null;
  readonly most: number | null;
  readonly normal: number;
}

/** The settings of a check, read off its own schema; a setting that is no number is a mistake here, since no form could show it. */
export function settingsOf(check: CheckRecord): Setting[] {
  const schema = z.toJSONSchema(check.options, { io: 'input' }) as {
    properties?: Record<
      string,
      { type?: string; description?: string; minimum?: number; maximum?: number; default?: unknown }
    >;
  };
  return Object.entries(schema.properties ?? {}).map(([name, s]) => {
    if ((s.type !== 'number' && s.type !== 'integer') || typeof s.default !== 'number')
      throw new Error(`${check.id}.${name} is no number with a default`);
    // JSON Schema bounds an integer by what a double can hold; that is no bound for people.
    const bound = (n: number | undefined) => (n === undefined || Math.abs(n) > 1e9 ? null : n);
    return {
      name,
      says: s.description ?? name,
      whole: s.type === 'integer',
      least: bound(s.minimum),
      most: bound(s.maximum),
      normal: s.default,
    };
  });
}

export type ListName = {
  [K in keyof SharedRules]: SharedRules[K] extends string[] ? K : never;
}[keyof SharedRules];

/** The lists that all checks share, with what each is for, in the order of the file format. */
export const ruleLists: readonly {
  readonly name: ListName;
  readonly says: string;
  readonly normal: readonly string[];
}[] = Object.entries(sharedRules).flatMap(([name, schema]) => {
  const normal = schema.parse(undefined);
  const says = schema.description;
  return Array.isArray(normal) && says ? [{ name: name as ListName, says, normal: normal as string[] }] : [];
});

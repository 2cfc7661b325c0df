import type { SeededRandom } from './random';

/** How an id of the host looks wherever it stands, also inside texts and addresses. */
export const idPattern = /at-[0-9a-z]{10}/g;
export const mintId = (random: SeededRandom): string => `at-${random.letters(10)}`;

/** Fields in which a caller’s own name for a record may stand alone. */
const namingFields: ReadonlySet<string> = new Set([
  'parent',
  'content',
  'requires',
  'ref',
  'dependencies',
  'category',
  'id',
  'after',
  'was',
  'ids',
]);

/** A value in which the caller’s names are the minted ids: whole names in naming fields, ids anywhere. */
export function withIds(value: unknown, ids: ReadonlyMap<string, string>, field = ''): unknown {
  if (ids.size === 0) return value;
  if (typeof value === 'string') {
    const whole = namingFields.has(field) ? ids.get(value) : undefined;
    return whole ?? value.replace(idPattern, (id) => ids.get(id) ?? id);
  }
  if (Array.isArray(value)) return value.map((one) => withIds(one, ids, field));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, withIds(one, ids, name)]));
}

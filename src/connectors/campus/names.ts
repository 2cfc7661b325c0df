import type { NameThere } from '../connector';

/** How an id of a host looks wherever it stands, also inside texts and addresses. */
const idPattern = /at-[0-9a-z]{10}/g;

/** Fields in which a ref may stand alone that does not look like an id: what a plan made goes by a name of its own. */
const namingFields: ReadonlySet<string> = new Set([
  'parent',
  'content',
  'requires',
  'ref',
  'id',
  'dependencies',
  'category',
]);

/**
 * What things go by here and over there, told in the order in which the names were given: the last one counts. A thing that was made anew over there goes by another id than the one that it
 * had; here it keeps its ref, so that plans and earlier runs still name it.
 */
export class Names {
  private readonly there = new Map<string, string>();
  private readonly here = new Map<string, string>();

  constructor(names: readonly NameThere[] = []) {
    for (const name of names) this.learn(name);
  }

  learn({ ref, there }: NameThere): void {
    if (ref === there) return;
    this.there.set(ref, there);
    this.here.set(there, ref);
  }

  /** The thing is about to be made anew: what it went by is over. Former names still lead to its ref. */
  forget(ref: string): void {
    this.there.delete(ref);
  }

  thereOf(ref: string): string {
    return this.there.get(ref) ?? ref;
  }
  hereOf(there: string): string {
    return this.here.get(there) ?? there;
  }

  /** A value as the host spells it. */
  toThere<T>(value: T): T {
    return this.there.size === 0 ? value : (spell(value, this.there, '') as T);
  }
  /** A value of the host’s with the refs that things have here. */
  toHere<T>(value: T): T {
    return this.here.size === 0 ? value : (spell(value, this.here, '') as T);
  }

  /** Does a value of the host’s name something by an id that it does not go by any more? */
  isStale(value: unknown): boolean {
    if (this.here.size === 0) return false;
    const ids = JSON.stringify(value).match(idPattern) ?? [];
    return ids.some((id) => this.thereOf(this.hereOf(id)) !== id);
  }
}

function spell(value: unknown, names: ReadonlyMap<string, string>, field: string): unknown {
  if (typeof value === 'string') {
    const whole = namingFields.has(field) ? names.get(value) : undefined;
    return whole ?? value.replace(idPattern, (id) => names.get(id) ?? id);
  }
  if (Array.isArray(value)) return value.map((one) => spell(one, names, field));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, one]) => [name, spell(one, names, name)]));
}

import { entryOf } from '@/core/entries';
import { readFileSync } from 'node:fs';
import { z } from 'zod';

/**
 * Where the outside web is found, by a file instead of by names asked for on the network: a small web of one’s own, such
 * as a mirror or one that stands in. With it, no name is looked up and nothing goes anywhere but to these ports.
 */
const webMapSchema = z.strictObject({
  /** The IP address at which all of it answers. */
  address: z.string(),
  http: z.int().min(1).max(65_535),
  https: z.int().min(1).max(65_535),
  /** Certificates in PEM that are trusted there besides the usual ones. */
  trusts: z.string(),
  /** IP addresses by name; what begins with a dot stands for all names below. A name that has none is no host. */
  names: z.record(z.string(), z.array(z.string())),
});
export type WebMap = z.infer<typeof webMapSchema>;

/** Reads such a file. Throws a sentence where it can’t be used. */
export function readWebMap(file: string): WebMap {
  try {
    return webMapSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    throw new Error(`The file “${file}” (CURRYCOMB_WEB) does not say where the outside web is.`);
  }
}

/** The IP addresses of a name; none where there is no such host. */
export function addressesByMap(map: WebMap, name: string): readonly string[] {
  const known = entryOf(map.names, name);
  if (known) return known;
  const below = Object.keys(map.names).filter((key) => key.startsWith('.') && name.endsWith(key));
  const [longest] = below.sort((a, b) => b.length - a.length);
  return longest === undefined ? [] : (entryOf(map.names, longest) ?? []);
}

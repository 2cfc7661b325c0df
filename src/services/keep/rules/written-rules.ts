import { z } from 'zod';
import { readHouseRules, type HouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { fingerprint } from '@/core/refs/digest';
import { bad, good, type Result } from '@/core/shell/result';

/** House rules as they are kept: what was set by hand, as a file of them would say it. */
export const writtenRules = z.record(z.string(), z.unknown());
export type WrittenRules = Readonly<z.output<typeof writtenRules>>;

/** The longest rules, in bytes: thousands of words and settings. The thread that answers reads them. */
export const longestRules = 256 * 1024;

/** The whole rules of what was written: every setting that is not named has its default. */
export function rulesFrom(written: WrittenRules): Result<HouseRules> {
  const read = readHouseRules(written, allChecks);
  return 'ok' in read ? good(read.ok) : bad('house-rules-unreadable', read.error);
}

/** Names written rules; empty for the defaults. */
export const rulesKey = (written: WrittenRules): string =>
  Object.keys(written).length ? fingerprint(JSON.stringify(written)) : '';

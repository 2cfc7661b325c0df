import { readFileSync } from 'node:fs';
import { defaultHouseRules, readHouseRules, type HouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { bad, good, type Result } from '@/core/shell/result';
import type { InputFile } from './shell-inputs';

/** Reads a house rules file; without one the defaults hold. */
export function loadHouseRules(file: InputFile | undefined): Result<HouseRules> {
  if (!file) return good(defaultHouseRules(allChecks));
  let value: unknown;
  try {
    value = JSON.parse(readFileSync(file.path, 'utf8'));
  } catch (error) {
    const missing = (error as { code?: string }).code === 'ENOENT';
    return bad(
      'house-rules-unreadable',
      missing
        ? `There is no file “${file.name}”; check the path.`
        : `“${file.name}” is not readable as JSON; check its commas and brackets.`,
    );
  }
  const read = readHouseRules(value, allChecks);
  return 'ok' in read ? good(read.ok) : bad('house-rules-unreadable', read.error);
}

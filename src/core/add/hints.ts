import type { CheckId } from '@/core/checks/finding/finding';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';
import type { Shell } from '@/core/shell/model';
import { incomingKey, type IncomingKey } from './incoming';

/** What a check says of a thing of a source, shortly. */
export interface Hint {
  readonly key: IncomingKey;
  readonly check: CheckId;
  readonly says: string;
  /** Reason enough not to propose it; else it is said, and the thing proposed all the same. */
  readonly isDoubt: boolean;
}

/** Short reasons beside a thing while somebody chooses; dates are none, since they move. */
const hintWords: Readonly<Partial<Record<CheckId, string>>> = {
  'duplicate.same-content': 'a copy',
  'duplicate.repeated-import': 'imported twice',
  'duplicate.copy-title': 'named as a copy',
  'duplicate.near-content': 'nearly a copy',
  'outdated.untouched': 'not changed for years',
  'outdated.placeholder-text': 'placeholder text',
  'outdated.leftover-phrase': 'former system',
  'outdated.former-tool': 'former tool',
  'outdated.superseded-version': 'older version',
  'outdated.old-announcement': 'old announcement',
  'outdated.old-shell-link': 'links to an old shell',
  'outdated.past-term-mention': 'names an old term',
  'outdated.other-course': 'names another course',
  'visibility.exposed-key': 'answer key',
  'orphan.broken-link': 'broken link',
  'orphan.unreachable-page': 'nobody reaches it',
  'calendar.meeting-link': 'old meeting link',
  'calendar.past': 'in the past',
};

/** Pages of many courses are alike on purpose: a packing list for each week. */
const saidOnly: ReadonlySet<CheckId> = new Set<CheckId>(['duplicate.near-content']);

/** What the checks know of each thing of a source at the moment of choosing; a kept copy has nothing said of it. */
export function hintsOf(source: Shell, rules: HouseRules): readonly Hint[] {
  const checks = allChecks.filter(({ id }) => hintWords[id] !== undefined);
  const { findings } = runChecks(source, { checks, rules });
  const known = new Set<string>();
  return findings.flatMap(({ check, subjects, keep, remedy }) => {
    const targets = remedy === null ? null : new Set<string>(remedy.targets);
    // The first of a pair is what the other is named after.
    const original = check === 'duplicate.copy-title' ? (subjects[0]?.ref ?? null) : null;
    return subjects.flatMap(({ type, ref }): Hint[] => {
      const isMeant =
        targets !== null && targets.size > 0 ? targets.has(ref) : ref !== keep && ref !== original;
      const says = hintWords[check];
      if (!isMeant || says === undefined || (type !== 'item' && type !== 'file' && type !== 'event'))
        return [];
      const key = incomingKey(type, ref);
      if (known.has(`${key} ${check}`)) return [];
      known.add(`${key} ${check}`);
      return [{ key, check, says, isDoubt: !saidOnly.has(check) }];
    });
  });
}

import { alreadyProvided } from '@/core/checks/duplicate/already-provided';
import type { CheckId, Finding } from '@/core/checks/finding/finding';
import type { HouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks } from '@/core/checks/run/run-checks';
import { dateOf } from '@/core/dates/local-date';
import type { CourseEvent, Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { sideOfTerm } from '@/core/time/term';
import { incomingKey, type IncomingKey, type LeftOut } from './incoming';

/** What the checks say of a source that is to be left out; the term that counts is the target’s. */
const askedChecks: ReadonlySet<CheckId> = new Set<CheckId>([
  'visibility.exposed-key',
  'outdated.former-tool',
  'outdated.leftover-phrase',
  'outdated.superseded-version',
  ...allChecks
    .map(({ id }) => id)
    .filter((id) => id.startsWith('calendar.') && id !== 'calendar.outside-term'),
]);

export interface LeftOutOptions {
  readonly rules: HouseRules;
  /** Everything lands hidden, so that a key does no harm. */
  readonly hidden: boolean;
}

/** Why things of a source are not proposed though they may be new, by key; files that nothing uses are told later. */
export function leftOutOf(
  shell: Shell,
  source: Shell,
  { rules, hidden }: LeftOutOptions,
): ReadonlyMap<IncomingKey, LeftOut> {
  const reasons = new Map<IncomingKey, LeftOut>();
  const leaveOut = (keys: Iterable<IncomingKey>, reason: LeftOut) => {
    for (const key of keys) if (!reasons.has(key)) reasons.set(key, reason);
  };
  const checks = allChecks.filter(({ id }) => askedChecks.has(id));
  const { findings } = runChecks(source, { checks, rules });
  const of = (isAsked: (check: CheckId) => boolean) => findings.filter(({ check }) => isAsked(check));
  leaveOut(providedIn(shell, source, rules), 'baseline');
  leaveOut(announcementsOfAnotherTerm(shell, source), 'announcement');
  leaveOut(eventsOutside(shell, source), 'event');
  leaveOut(eventsNamedBy(of((check) => check.startsWith('calendar.'))), 'event');
  leaveOut(emptyCategories(source), 'empty-category');
  if (!hidden)
    leaveOut(
      keysIn(
        source,
        of((check) => check === 'visibility.exposed-key'),
      ),
      'key',
    );
  leaveOut(
    targetsOf(of((check) => check === 'outdated.former-tool' || check === 'outdated.leftover-phrase')),
    'leftover',
  );
  leaveOut(targetsOf(of((check) => check === 'outdated.superseded-version')), 'superseded');
  return reasons;
}

/** What the target’s institution provides anyway. */
function providedIn({ baseline }: Shell, source: Shell, rules: HouseRules): IncomingKey[] {
  if (baseline === null) return [];
  const held: Shell = { ...source, baseline: { ...baseline, is: 'supplied' } };
  const { findings } = runChecks(held, { checks: [alreadyProvided], rules });
  return targetsOf(findings);
}

function announcementsOfAnotherTerm({ term }: Shell, source: Shell): IncomingKey[] {
  const isOfAnother = ({ kind, opens, created }: Item) => {
    const announced = kind === 'announcement' ? (opens ?? created) : null;
    return announced !== null && sideOfTerm(dateOf(announced), term).side !== 'inside';
  };
  return source.items.filter(isOfAnother).map(({ ref }) => incomingKey('item', ref));
}

function eventsOutside({ term }: Shell, source: Shell): IncomingKey[] {
  const isOutside = ({ start, occurrences }: CourseEvent) =>
    [start, ...occurrences].every((moment) => sideOfTerm(dateOf(moment), term).side !== 'inside');
  return source.events.filter(isOutside).map(({ ref }) => incomingKey('event', ref));
}

const eventsNamedBy = (findings: readonly Finding[]): IncomingKey[] =>
  findings.flatMap(({ subjects, keep }) =>
    subjects.flatMap(({ type, ref }) =>
      type === 'event' && ref !== keep ? [incomingKey('event', ref)] : [],
    ),
  );

function emptyCategories({ gradeCategories, gradeColumns }: Shell): IncomingKey[] {
  const filled = new Set(gradeColumns.map(({ category }) => category));
  return gradeCategories
    .filter(({ ref }) => !filled.has(ref))
    .map(({ ref }) => incomingKey('gradeCategory', ref));
}

/** A thing that is not meant for students, with all that is in it. */
function keysIn(source: Shell, findings: readonly Finding[]): IncomingKey[] {
  const outline = outlineOf(source);
  return targetsOf(findings).flatMap((key) => {
    const ref = key.startsWith('item ') ? key.slice('item '.length) : '';
    const inside = outline.descendants(ref as Item['ref']).map((item) => incomingKey('item', item.ref));
    return [key, ...inside];
  });
}

/** What findings would take away, else all that they name. */
const targetsOf = (findings: readonly Finding[]): IncomingKey[] =>
  findings.flatMap(({ subjects, keep, remedy }) => {
    const targets = remedy === null ? null : new Set(remedy.targets);
    return subjects.flatMap(({ type, ref }) => {
      const isMeant = targets === null ? ref !== keep : targets.has(ref);
      return isMeant && (type === 'item' || type === 'file') ? [incomingKey(type, ref)] : [];
    });
  });

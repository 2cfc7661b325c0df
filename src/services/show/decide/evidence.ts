import { elementAt } from '@/core/sure';
import type { Evidence } from '@/core/checks/finding/finding';
import { passageLabels } from '@/core/checks/facts/passages';
import { differencesFrom, type Compared, type Differences } from '@/core/compare/differences';
import { findingById, findingRows, type KeptChain } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { thingDetails, type ThingDetail } from '@/services/show/shells/thing-detail';
import { weekOfEvents, type EventWeek } from './week-of-event';
import {
  bareShellOf,
  compareTexts,
  eventDetails,
  itemDetail,
  type DiffPart,
  type EventDetail,
  type ItemDetail,
} from '@/services/keep/shells/subject-detail';

/** What stands beside the list when a finding is looked at. */
export interface FindingEvidence {
  /** Facts that prove it, a label and a value each. */
  readonly facts: readonly Evidence[];
  /** Sentences that stand in the text of what it is about. */
  readonly sentences: readonly string[];
  readonly items: readonly ItemDetail[];
  /** Two items' texts word by word; null where there are no two texts. */
  readonly difference: readonly DiffPart[] | null;
  /** How each of the others differs from the first one; empty where nothing is compared. */
  readonly differences: readonly ItemDifferences[];
  readonly events: readonly EventDetail[];
  /** The week that the first of its events stands in; null where it is about no event. */
  readonly week: EventWeek | null;
  /** Everything that a finding about many things is about, unless it compares them or they are events. */
  readonly things: readonly ThingDetail[];
  /** What leads to the one item or file that it is about; null where it is about several, or about something else. */
  readonly chain: KeptChain | null;
  /** What else may be done about it. */
  readonly others: readonly OtherWay[];
}

/** Something else that may be done about a finding. */
export interface OtherWay {
  /** Its place among those that the finding offers, 0 first. */
  readonly place: number;
  /** The words of its button. */
  readonly label: string;
  /** The thing that stays by it, where it is the same remedy with another keeper. */
  readonly keeps: string | null;
}

/** One of the compared items, and how it differs from the one that it is held against. */
export interface ItemDifferences {
  readonly ref: string;
  readonly title: string;
  readonly path: readonly string[];
  readonly differences: Differences;
}

/** So many items of one finding are held against the first one. */
const mostCompared = 24;

/** Checks that say of two items that they are alike: their texts stand side by side. */
const comparedChecks = new Set<string>([
  'duplicate.same-content',
  'duplicate.near-content',
  'duplicate.copy-title',
  'duplicate.already-provided',
  'outdated.superseded-version',
]);

export function evidenceOf(
  folder: OpenFolder,
  shell: CurrentShell,
  findingId: string,
): FindingEvidence | null {
  const finding = shell.audit ? findingById(folder.db, shell.audit.id, findingId) : null;
  if (!finding) return null;
  const refs = finding.subjects.filter((s) => s.type === 'item').map((s) => s.ref);
  // The one that stays first, then one that would go.
  const pair =
    finding.check === 'duplicate.same-content'
      ? [finding.keep ?? elementAt(refs, 0), ...refs.filter((r) => r !== finding.keep)]
      : refs;
  const eventRefs = finding.subjects.filter((s) => s.type === 'event').map((s) => s.ref);
  const isCompared = comparedChecks.has(finding.check);
  const others = finding.subjects.filter((subject) => subject.type !== 'event');
  const isAboutMany = !isCompared && others.length > 1;
  const things = isAboutMany ? thingDetails(bareShellOf(folder, shell), others, finding.evidence) : [];
  const isListed = new Set(things.map((thing) => thing.ref));
  const details = (isAboutMany ? [] : pair)
    .slice(0, isCompared ? mostCompared : 2)
    .map((ref) => itemDetail(folder, shell, ref))
    .filter((d) => d !== null);
  const items = details.slice(0, 2);
  const [first, second] = items;
  const comparable = isCompared && first?.text && second?.text;
  return {
    // What is said of one of the things stands in that thing's row.
    facts: finding.evidence.filter((fact) => fact.where === undefined || !isListed.has(fact.where)),
    sentences: finding.evidence.flatMap(({ label, value }) => (label === passageLabels.text ? [value] : [])),
    items,
    things,
    difference: comparable ? compareTexts(first.text, second.text) : null,
    differences: isCompared ? differencesOf(details) : [],
    chain: finding.chain,
    others: finding.others.map(({ label, keeps = null }, place) => ({ place, label, keeps })),
    events: eventDetails(folder, shell, eventRefs),
    week: eventRefs.length > 0 ? weekOfEvents(bareShellOf(folder, shell), eventRefs) : null,
  };
}

/** How each item but the first differs from that. */
function differencesOf([kept, ...others]: readonly ItemDetail[]): ItemDifferences[] {
  if (!kept) return [];
  const compared = (item: ItemDetail): Compared => ({ ...item, text: item.text ?? '' });
  return others.map((item) => ({
    ref: item.ref,
    title: item.title,
    path: item.path,
    differences: differencesFrom(compared(kept), compared(item)),
  }));
}

/** The facts that prove some findings, by finding. */
export function factsOfFindings(
  folder: OpenFolder,
  shell: CurrentShell,
  ids: readonly string[],
): Readonly<Record<string, readonly Evidence[]>> {
  if (!shell.audit) return {};
  const rows = findingRows(folder.db, shell.audit.id, ids);
  return Object.fromEntries(rows.map((row) => [row.id, JSON.parse(row.evidence) as Evidence[]]));
}

import type { Batch } from '@/core/checks/run/batches';
import {
  families,
  familyTitles,
  urgencies,
  urgencyTitles,
  type ListedFinding,
} from '@/core/checks/finding/finding';
import type { Filter, Grouping, ListState } from './filter';
import { passes, topLevel, type FactsOf, type FindingFacts } from './finding-facts';

export type Row =
  | {
      readonly type: 'group';
      readonly key: string;
      readonly title: string;
      readonly findings: readonly ListedFinding[];
    }
  | { readonly type: 'finding'; readonly key: string; readonly finding: ListedFinding };

export type Lists = Readonly<Record<ListState, readonly ListedFinding[]>>;

/** The findings that a filter lets through. */
export const filtered = (lists: Lists, filter: Filter, factsOf: FactsOf): readonly ListedFinding[] =>
  lists[filter.state].filter((finding) => passes(finding, factsOf(finding), filter));

/** The group that a finding stands in: its key, its title, and what brings it before others. */
interface GroupPlace {
  readonly key: string;
  readonly title: string;
  readonly order: number;
}

/** The findings of a filter in groups. Within a group they stand as their batches do: what students notice first. */
export function listRows(
  lists: Lists,
  filter: Filter,
  batches: readonly Batch[],
  factsOf: FactsOf,
): readonly Row[] {
  const places = new Map(batches.map((batch, place) => [batch, place]));
  const placeOf = (batch: Batch | null) => (batch && places.get(batch)) ?? batches.length;
  const groups = new Map<string, GroupPlace & { readonly findings: ListedFinding[] }>();
  for (const finding of filtered(lists, filter, factsOf)) {
    const facts = factsOf(finding);
    const place = groupOf(filter.by, finding, facts, placeOf(facts.batch));
    const group = groups.get(place.key) ?? { ...place, findings: [] };
    group.findings.push(finding);
    groups.set(place.key, group);
  }
  return [...groups.values()].sort(byPlace).flatMap(({ key, title, findings }): Row[] => {
    const inOrder =
      filter.by === 'batch'
        ? findings
        : findings.toSorted((a, b) => placeOf(factsOf(a).batch) - placeOf(factsOf(b).batch));
    return [
      { type: 'group', key, title, findings: inOrder },
      ...inOrder.map((finding): Row => ({ type: 'finding', key: finding.id, finding })),
    ];
  });
}

const collator = new Intl.Collator('en', { numeric: true });

function byPlace(a: GroupPlace, b: GroupPlace): number {
  return a.order - b.order || collator.compare(a.title, b.title) || collator.compare(a.key, b.key);
}

function groupOf(by: Grouping, finding: ListedFinding, facts: FindingFacts, batchPlace: number): GroupPlace {
  switch (by) {
    case 'batch':
      return { key: facts.batch?.id ?? finding.check, title: facts.checkTitle, order: batchPlace };
    case 'urgency':
      return {
        key: finding.urgency,
        title: urgencyTitles[finding.urgency],
        order: urgencies.indexOf(finding.urgency),
      };
    case 'family':
      return {
        key: finding.family,
        title: familyTitles[finding.family],
        order: families.indexOf(finding.family),
      };
    case 'check':
      return { key: finding.check, title: facts.checkTitle, order: 0 };
    case 'module': {
      const title = facts.modules[0] ?? topLevel;
      return { key: title, title, order: title === topLevel ? 1 : 0 };
    }
    case 'kind': {
      const title = facts.kinds[0] ?? '';
      return { key: title, title, order: 0 };
    }
  }
}

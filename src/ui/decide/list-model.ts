import type { Batch } from '@/core/checks/batches';
import { families, urgencies, type Family, type ListedFinding, type Urgency } from '@/core/checks/finding';

export const listStates = ['open', 'parts', 'asked', 'later', 'planned', 'left-be'] as const;
/** What was decided about a finding. What is open and part of a larger finding is apart. */
export type ListState = (typeof listStates)[number];
/** Whether a list holds findings that nothing was decided about yet. */
export const isUndecided = (state: ListState): boolean => state !== 'planned' && state !== 'left-be';

/** What the list shows; every part of it is in the page's address. */
export interface Filter {
  readonly state: ListState;
  readonly family: Family | null;
  readonly urgency: Urgency | null;
  readonly batch: string | null;
}
export type Row =
  | {
      readonly type: 'group';
      readonly key: string;
      readonly batch: Batch | null;
      readonly title: string;
      readonly findings: readonly ListedFinding[];
    }
  | { readonly type: 'finding'; readonly key: string; readonly finding: ListedFinding };

export function readFilter(query: URLSearchParams): Filter {
  const one = <T extends string>(list: readonly T[], value: string | null): T | null =>
    list.find((l) => l === value) ?? null;
  return {
    state: one(listStates, query.get('state')) ?? 'open',
    family: one(families, query.get('family')),
    urgency: one(urgencies, query.get('urgency')),
    batch: query.get('batch'),
  };
}

export function writeFilter(filter: Filter): string {
  const query = new URLSearchParams();
  if (filter.state !== 'open') query.set('state', filter.state);
  if (filter.family) query.set('family', filter.family);
  if (filter.urgency) query.set('urgency', filter.urgency);
  if (filter.batch) query.set('batch', filter.batch);
  const text = query.toString();
  return text ? `?${text}` : '';
}

/** The findings of a filter, in the order of their batches: what students notice first comes first. */
export function listRows(
  lists: Readonly<Record<ListState, readonly ListedFinding[]>>,
  filter: Filter,
  batches: readonly Batch[],
  titleOf: (check: string) => string,
): Row[] {
  const batchOf = new Map(batches.flatMap((b) => b.findings.map((f) => [f, b] as const)));
  const wanted = lists[filter.state].filter(
    (f) =>
      (!filter.family || f.family === filter.family) &&
      (!filter.urgency || f.urgency === filter.urgency) &&
      (!filter.batch || batchOf.get(f.id)?.id === filter.batch),
  );
  const groups = new Map<
    string,
    { batch: Batch | null; title: string; order: number; findings: ListedFinding[] }
  >();
  for (const finding of wanted) {
    const batch = batchOf.get(finding.id) ?? null;
    const key = batch ? batch.id : finding.check;
    const title = titleOf(finding.check);
    const group = groups.get(key) ?? {
      batch,
      title,
      order: batch ? batches.indexOf(batch) : batches.length,
      findings: [],
    };
    group.findings.push(finding);
    groups.set(key, group);
  }
  return [...groups]
    .sort((a, b) => a[1].order - b[1].order || (a[0] < b[0] ? -1 : 1))
    .flatMap(([key, g]): Row[] => [
      { type: 'group', key, batch: g.batch, title: g.title, findings: g.findings },
      ...g.findings.map((finding): Row => ({ type: 'finding', key: finding.id, finding })),
    ]);
}

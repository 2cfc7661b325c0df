import { families, urgencies, type Family, type Urgency } from '@/core/checks/finding/finding';

export const listStates = ['open', 'parts', 'asked', 'later', 'planned', 'left-be'] as const;
/** What was decided about a finding. What is open and part of a larger finding is apart. */
export type ListState = (typeof listStates)[number];
/** Whether a list holds findings that nothing was decided about yet. */
export const isUndecided = (state: ListState): boolean => state !== 'planned' && state !== 'left-be';

/** By what the list may be grouped. */
export const groupings = ['batch', 'urgency', 'family', 'check', 'module', 'kind'] as const;
export type Grouping = (typeof groupings)[number];

/** What the list shows; every part of it is in the page's address. */
export interface Filter {
  readonly state: ListState;
  readonly family: Family | null;
  readonly urgency: Urgency | null;
  readonly batch: string | null;
  readonly check: string | null;
  /** Title of the module at the top level that something of the finding stands in. */
  readonly module: string | null;
  /** Kind of something that the finding is about. */
  readonly kind: string | null;
  /** Words that all stand in what the finding says; empty for every finding. */
  readonly find: string;
  readonly by: Grouping;
}

/** The parts of a filter that are left out of the address where they are null. */
const optional = ['family', 'urgency', 'batch', 'check', 'module', 'kind'] as const;

export function readFilter(query: URLSearchParams): Filter {
  const one = <T extends string>(list: readonly T[], value: string | null): T | null =>
    list.find((l) => l === value) ?? null;
  return {
    state: one(listStates, query.get('state')) ?? 'open',
    family: one(families, query.get('family')),
    urgency: one(urgencies, query.get('urgency')),
    batch: query.get('batch'),
    check: query.get('check'),
    module: query.get('module'),
    kind: query.get('kind'),
    find: query.get('find') ?? '',
    by: one(groupings, query.get('by')) ?? 'batch',
  };
}

export function writeFilter(filter: Filter): string {
  const query = new URLSearchParams();
  if (filter.state !== 'open') query.set('state', filter.state);
  for (const part of optional) {
    const value = filter[part];
    if (value) query.set(part, value);
  }
  if (filter.find.trim() !== '') query.set('find', filter.find);
  if (filter.by !== 'batch') query.set('by', filter.by);
  const text = query.toString();
  return text ? `?${text}` : '';
}

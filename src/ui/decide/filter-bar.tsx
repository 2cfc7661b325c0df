'use client';
import { families, familyTitles, urgencies, urgencyTitles } from '@/core/checks/finding/finding';
import type { SavedView } from '@/services/do/decide/saved-views';
import { FamilyShape } from '../marks/family-shape';
import { FilterChip } from '../marks/filter-chip';
import { listStates, type ListState } from './filter';
import { useFilterCounts } from './filter-counts';
import { MoreFilters } from './more-filters';
import type { WorkbenchState } from './use-workbench';
import styles from './decide.module.css';

const stateTitles: Readonly<Record<ListState, string>> = {
  open: 'Open',
  parts: 'Parts of larger ones',
  asked: 'Asked',
  later: 'Later',
  planned: 'In the plan',
  'left-be': 'Left be',
};

/** Lists that are named only where they hold something. */
const mayBeEmpty: ReadonlySet<ListState> = new Set<ListState>(['parts', 'asked', 'later']);

/** The workbench's filters: each says how many it would show beside all the others. */
export function FilterBar({
  bench,
  savedViews,
}: {
  bench: WorkbenchState;
  savedViews: readonly SavedView[];
}) {
  const { filter, lists, setFilter } = bench;
  const counts = useFilterCounts(bench);
  return (
    <div className={styles.filters} role="group" aria-label="Filters">
      <h1 className="unseen">Decide</h1>
      {listStates
        .filter((state) => !mayBeEmpty.has(state) || lists[state].length > 0 || filter.state === state)
        .map((state) => (
          <FilterChip
            key={state}
            pressed={filter.state === state}
            onClick={() => setFilter({ state, batch: null })}
          >
            {stateTitles[state]} <span className="number">{counts.byState.get(state)}</span>
          </FilterChip>
        ))}
      {urgencies
        .map((urgency) => ({ urgency, n: counts.byUrgency.get(urgency) ?? 0 }))
        .filter(({ urgency, n }) => n > 0 || filter.urgency === urgency)
        .map(({ urgency, n }) => (
          <FilterChip
            key={urgency}
            pressed={filter.urgency === urgency}
            onClick={() => setFilter({ urgency: filter.urgency === urgency ? null : urgency })}
          >
            {urgencyTitles[urgency]} <span className="number soft">{n}</span>
          </FilterChip>
        ))}
      {families
        .map((family) => ({ family, n: counts.byFamily.get(family) ?? 0 }))
        .filter(({ family, n }) => n > 0 || filter.family === family)
        .map(({ family, n }) => (
          <FilterChip
            key={family}
            pressed={filter.family === family}
            title={familyTitles[family]}
            aria-label={`${familyTitles[family]}: ${n}`}
            onClick={() => setFilter({ family: filter.family === family ? null : family })}
          >
            <FamilyShape family={family} size={13} /> <span className="number">{n}</span>
          </FilterChip>
        ))}
      {filter.batch && (
        <FilterChip pressed={true} onClick={() => setFilter({ batch: null })}>
          one batch · show all
        </FilterChip>
      )}
      <MoreFilters bench={bench} savedViews={savedViews} />
    </div>
  );
}

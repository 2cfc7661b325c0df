'use client';
import {
  families,
  familyTitles,
  urgencies,
  urgencyTitles,
  type Family,
  type Urgency,
} from '@/core/checks/finding';
import { FamilyShape } from '../marks/family-shape';
import { FilterChip } from '../marks/filter-chip';
import { listStates, type ListState } from './list-model';
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

/** The workbench's filters: what was decided, urgency, family, one batch. Each says how many it would show. */
export function FilterBar({ bench }: { bench: WorkbenchState }) {
  const { filter, lists, setFilter } = bench;
  const list = lists[filter.state];
  const count = (urgency: Urgency | null, family: Family | null) =>
    list.filter((f) => (!urgency || f.urgency === urgency) && (!family || f.family === family)).length;
  const byUrgency = urgencies.map((urgency) => ({ urgency, n: count(urgency, filter.family) }));
  const byFamily = families.map((family) => ({ family, n: count(filter.urgency, family) }));
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
            {stateTitles[state]} <span className="number">{lists[state].length}</span>
          </FilterChip>
        ))}
      {byUrgency
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
      {byFamily
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
    </div>
  );
}

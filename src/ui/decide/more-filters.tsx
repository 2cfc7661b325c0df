'use client';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { SavedView } from '@/services/do/decide/saved-views';
import { groupings, type Filter, type Grouping } from './filter';
import { passes, type FindingFacts } from './finding-facts';
import { SavedViews } from './saved-views';
import type { WorkbenchState } from './use-workbench';
import styles from './decide.module.css';

const groupingTitles: Readonly<Record<Grouping, string>> = {
  batch: 'Batch',
  urgency: 'Urgency',
  family: 'Family',
  check: 'Check',
  module: 'Module',
  kind: 'Kind',
};

/** Words to find, what the list is grouped by, named views, and the filters that are too long for chips. */
export function MoreFilters({
  bench,
  savedViews,
}: {
  bench: WorkbenchState;
  savedViews: readonly SavedView[];
}) {
  const { filter, setFilter } = bench;
  const inUse = [filter.module, filter.kind, filter.check].filter((value) => value !== null).length;
  const [isOpen, setOpen] = useState(inUse > 0);
  return (
    <div className={styles.more}>
      <div className={styles.moreRow}>
        <TextField
          id="find-findings"
          size="small"
          label="Find"
          value={filter.find}
          onChange={(event) => setFilter({ find: event.target.value })}
          sx={{ flex: 1, minWidth: 110 }}
        />
        <TextField
          select
          size="small"
          label="Grouped by"
          value={filter.by}
          onChange={(event) => setFilter({ by: event.target.value as Grouping })}
          sx={{ width: 112 }}
        >
          {groupings.map((by) => (
            <MenuItem key={by} value={by}>
              {groupingTitles[by]}
            </MenuItem>
          ))}
        </TextField>
        <Button size="small" color="inherit" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          More{inUse > 0 && ` (${inUse})`}
        </Button>
        <SavedViews filter={filter} first={savedViews} onTake={setFilter} />
      </div>
      {isOpen && (
        <div className={styles.moreRow}>
          <PartFilter bench={bench} part="module" label="Module" valuesOf={(facts) => facts.modules} />
          <PartFilter bench={bench} part="kind" label="Kind" valuesOf={(facts) => facts.kinds} />
          <PartFilter bench={bench} part="check" label="Check" valuesOf={(_, check) => [check]} />
        </div>
      )}
    </div>
  );
}

interface PartFilterProps {
  readonly bench: WorkbenchState;
  readonly part: 'module' | 'kind' | 'check';
  readonly label: string;
  readonly valuesOf: (facts: FindingFacts, check: string) => readonly string[];
}

/** One part of the filter as a list of what there is, each with how many it would show. */
function PartFilter({ bench, part, label, valuesOf }: PartFilterProps) {
  const { filter, setFilter } = bench;
  const options = optionsOf(bench, { ...filter, [part]: null }, valuesOf);
  const chosen = filter[part];
  return (
    <TextField
      select
      size="small"
      label={label}
      value={chosen ?? ''}
      onChange={(event) => setFilter({ [part]: event.target.value || null })}
      sx={{ flex: 1, minWidth: 0 }}
    >
      <MenuItem value="">All</MenuItem>
      {chosen !== null && !options.some(({ value }) => value === chosen) && (
        <MenuItem value={chosen}>{chosen} (0)</MenuItem>
      )}
      {options.map(({ value, title, n }) => (
        <MenuItem key={value} value={value}>
          {title} ({n})
        </MenuItem>
      ))}
    </TextField>
  );
}

interface Option {
  readonly value: string;
  readonly title: string;
  readonly n: number;
}

const collator = new Intl.Collator('en', { numeric: true });

function optionsOf(
  { lists, factsOf }: WorkbenchState,
  filter: Filter,
  valuesOf: PartFilterProps['valuesOf'],
): readonly Option[] {
  const counts = new Map<string, Option>();
  for (const finding of lists[filter.state]) {
    const facts = factsOf(finding);
    if (!passes(finding, facts, filter)) continue;
    for (const value of valuesOf(facts, finding.check)) {
      const title = value === finding.check ? facts.checkTitle : value;
      counts.set(value, { value, title, n: (counts.get(value)?.n ?? 0) + 1 });
    }
  }
  return [...counts.values()].sort((a, b) => collator.compare(a.title, b.title));
}

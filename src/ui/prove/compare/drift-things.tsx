'use client';
import { entryOf } from '@/core/entries';
import { useMemo } from 'react';
import { changeTitles } from '@/core/two-shells/change';
import { driftByThing, type DriftingThing } from '@/core/two-shells/drift';
import type { ComparedShell } from '@/services/show/prove/compare-view';
import { WorkTable } from '../../parts/work-table';
import type { WorkColumn } from '../../parts/work-rows';

/** What drifted from which of several shells, a row a thing, a column a shell. */
export function DriftThings({ compared }: { compared: readonly ComparedShell[] }) {
  const rows = useMemo(() => driftByThing(compared), [compared]);
  const columns = useMemo(() => columnsFor(compared), [compared]);
  return (
    <section aria-labelledby="drift-things">
      <h2 id="drift-things" style={{ margin: '16px 0 10px' }}>
        Thing by thing
      </h2>
      <WorkTable label="Thing by thing" rows={rows} keyOf={keyOf} columns={columns} actions={() => null} />
    </section>
  );
}

const keyOf = ({ key }: DriftingThing): string => key;

const columnsFor = (compared: readonly ComparedShell[]): readonly WorkColumn<DriftingThing>[] => [
  { key: 'title', title: 'Title', width: 'minmax(180px, 2fr)', text: ({ title }) => title },
  { key: 'path', title: 'Where', width: 'minmax(120px, 1fr)', text: ({ path }) => path.join(' › ') },
  {
    key: 'shells',
    title: 'Differs from',
    width: '110px',
    text: ({ against }) => `${Object.keys(against).length} of ${compared.length}`,
    order: ({ against }) => Object.keys(against).length,
  },
  ...compared.map(({ id, name }): WorkColumn<DriftingThing> => ({
    key: id,
    title: name,
    width: 'minmax(130px, 1fr)',
    text: ({ against }) =>
      (entryOf(against, id) ?? []).map((kind) => changeTitles[kind]).join(', ') || 'the same',
  })),
];

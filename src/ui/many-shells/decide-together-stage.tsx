'use client';
import { useMemo, useState } from 'react';
import { urgencyTitles } from '@/core/checks/finding/finding';
import { plural } from '@/core/text/plural';
import type { SameFinding, SameFindings } from '@/services/do/many-shells/same-findings';
import { actionOf } from '@/core/plan/step';
import { WorkTable } from '../parts/work-table';
import type { WorkColumn } from '../parts/work-rows';
import { TogetherButtons } from './together-buttons';

/** What is open in several shells, the same finding in one row: one decision for all of them. */
export function DecideTogetherStage({ view }: { view: SameFindings }) {
  const [isShared, setShared] = useState(true);
  const shared = useMemo(() => view.findings.filter((same) => countShells(same) > 1), [view.findings]);
  const rows = isShared && shared.length > 0 ? shared : view.findings;
  const notCombed = view.shells.filter(({ isCombed }) => !isCombed);
  const columns = useMemo(() => columnsFor(view.shells), [view.shells]);
  return (
    <>
      <h1>{headingOf(view, shared.length)}</h1>
      <p className="soft" style={{ maxWidth: 780 }}>
        The same check about the same content is one row, whatever it is called in each shell. What you accept
        goes into the plan of each of them; nothing is carried out from here.
      </p>
      {notCombed.length > 0 && (
        <p>Not combed yet, so nothing is known of {notCombed.map(({ name }) => name).join(', ')}.</p>
      )}
      {view.findings.length > 0 && (
        <WorkTable
          label="Findings of several shells"
          rows={rows}
          keyOf={keyOf}
          columns={columns}
          actions={(chosen, clear) => (
            <TogetherButtons
              view={view}
              chosen={chosen}
              clear={clear}
              isShared={isShared && shared.length > 0}
              onShared={shared.length > 0 ? setShared : null}
            />
          )}
        />
      )}
    </>
  );
}

const countShells = (same: SameFinding): number => new Set(same.in.map(({ shell }) => shell)).size;
const keyOf = ({ check, substance }: SameFinding): string => `${check} ${substance}`;

function headingOf({ findings, shells }: SameFindings, shared: number): string {
  if (findings.length === 0) return `Nothing is open in ${plural(shells.length, 'shell')}`;
  if (shared === 0) return `No finding stands in more than one of ${plural(shells.length, 'shell')}`;
  return `${plural(shared, 'finding')} in more than one of ${plural(shells.length, 'shell')}`;
}

/** How many shells have it; of one alone, which. */
function sayShells(same: SameFinding, shells: SameFindings['shells']): string {
  const count = countShells(same);
  const [only] = same.in;
  const name = shells.find(({ id }) => id === only?.shell)?.name ?? '';
  return count === 1 ? name : `${count} of ${shells.length}`;
}

const columnsFor = (shells: SameFindings['shells']): readonly WorkColumn<SameFinding>[] => [
  { key: 'title', title: 'Finding', width: 'minmax(260px, 3fr)', text: ({ title }) => title },
  { key: 'check', title: 'Check', width: 'minmax(140px, 1.2fr)', text: ({ checkTitle }) => checkTitle },
  { key: 'urgency', title: 'Urgency', width: '110px', text: ({ urgency }) => urgencyTitles[urgency] },
  {
    key: 'shells',
    title: 'In shells',
    width: 'minmax(100px, 1fr)',
    text: (same) => sayShells(same, shells),
    order: countShells,
  },
  {
    key: 'action',
    title: 'Remedy',
    width: '120px',
    text: ({ action }) => (action ? actionOf(action).label : 'yours to choose'),
  },
];

import Link from 'next/link';
import { useMemo } from 'react';
import { partsOf } from '@/core/checks/finding/parts';
import { plural } from '@/core/text/plural';
import type { CombView } from '@/services/show/comb/comb-view';
import { BatchRow } from './batch-row';
import type { Decisions } from './use-decisions';
import styles from './comb.module.css';

/** The batches of open findings, what students meet first on top, each decided by one button. */
export function BatchList({ view, decisions }: { view: CombView; decisions: Decisions }) {
  const byId = useMemo(() => new Map(view.findings.map((f) => [f.id, f])), [view.findings]);
  const parts = useMemo(() => partsOf(view.findings).size, [view.findings]);
  return (
    <section aria-labelledby="batches">
      <div style={{ display: 'flex', alignItems: 'baseline', margin: '4px 0 8px' }}>
        <h2 id="batches" style={{ flex: 1 }}>
          What students would notice first
        </h2>
        {view.findings.length > 0 && (
          <span className="soft">
            <Link href={`/shells/${view.id}/decide`}>
              all {plural(view.findings.length - parts, 'finding')}
            </Link>
            {parts > 0 && (
              <>
                ,{' '}
                <Link href={`/shells/${view.id}/decide?state=parts`}>
                  {plural(parts, 'part')} of larger ones
                </Link>
              </>
            )}
          </span>
        )}
      </div>
      {view.batches.length === 0 && (
        <p>Nothing found. Go on to see it as students would, or export it, on Prove.</p>
      )}
      {view.batches.length > 0 && (
        <ul className={styles.card} style={{ listStyle: 'none', margin: 0, padding: 0 }}>
          {view.batches.map((batch) => {
            const takable = batch.findings.filter((id) => byId.get(id)?.remedy);
            return (
              <BatchRow
                key={batch.id}
                id={view.id}
                batch={batch}
                findings={batch.findings.map((f) => byId.get(f)).filter((f) => f !== undefined)}
                inPlan={takable.length > 0 && takable.every((f) => decisions.stateOf(f) === 'planned')}
                busy={decisions.busy}
                onAccept={() => decisions.accept(takable)}
                onTakeBack={() => decisions.reopen(takable)}
              />
            );
          })}
        </ul>
      )}
    </section>
  );
}

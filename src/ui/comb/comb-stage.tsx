'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import { mostListedOfCheck } from '@/core/checks/finding/listed-share';
import { families, familyTitles } from '@/core/checks/finding/finding';
import { plural } from '@/core/text/plural';
import type { CombView } from '@/services/show/comb/comb-view';
import { Coat } from '../coat/coat';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import { BatchList } from './batch-list';
import { FamilyTable } from './family-table';
import { SmoothnessPanel } from './smoothness-panel';
import { Unsaid } from './unsaid';
import { useDecisions } from './use-decisions';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './comb.module.css';

/** What is wrong with the shell: the whole of it at a glance, and the largest batches first. */
export function CombStage({ view }: { view: CombView }) {
  const router = useRouter();
  const job = useJob(() => router.refresh(), { shellId: view.id, kind: 'comb' });
  const decisions = useDecisions(view);
  const isCombing = job.view?.state === 'waiting' || job.view?.state === 'running';
  const comb = () => void job.start(`/api/shells/${view.id}/comb`);
  if (!view.combed)
    return (
      <NotCombed view={view} isCombing={isCombing} onComb={comb}>
        <JobProgress job={job} label="Combing" />
      </NotCombed>
    );
  const { smoothness } = view;
  return (
    <div className={styles.page}>
      <div className={styles.main}>
        <div style={{ display: 'flex', gap: 12, alignItems: 'start' }}>
          <div style={{ flex: 1 }}>
            <h1>{view.headline}</h1>
            <p className="soft number" style={{ margin: '4px 0 0' }}>
              {sayAudit(view, view.combed.milliseconds)}
            </p>
          </div>
          <Button variant="outlined" onClick={comb} disabled={isCombing}>
            Comb again
          </Button>
        </div>
        {view.combed.byOtherRules && (
          <Alert severity="info">
            The house rules were changed since this shell was combed. Comb it again to see what they find.
          </Alert>
        )}
        <JobProgress job={job} label="Combing" />
        {view.unlisted > 0 && (
          <Alert severity="info">
            {view.unlisted.toLocaleString('en')} more findings are counted and not listed: of one check, the
            first {mostListedOfCheck.toLocaleString('en')} are. Settle these and comb again, and the others
            come up.
          </Alert>
        )}
        <CoatCard
          view={view}
          onOpen={(finding) => router.push(`/shells/${view.id}/decide?finding=${finding}`)}
        />
        <BatchList view={view} decisions={decisions} />
      </div>
      <aside className={styles.side} aria-label="Figures">
        {smoothness && <SmoothnessPanel id={view.id} smoothness={smoothness} findings={view.findings} />}
        <FamilyTable id={view.id} findings={view.findings} />
        {decisions.planSize > 0 && (
          <Button variant="contained" href={`/shells/${view.id}/rehearse`}>
            Rehearse {plural(decisions.planSize, 'change')}
          </Button>
        )}
        <Unsaid view={view} />
      </aside>
    </div>
  );
}

interface NotCombedProps {
  readonly view: CombView;
  readonly isCombing: boolean;
  readonly onComb: () => void;
  /** How far the combing is. */
  readonly children: ReactNode;
}

function NotCombed({ view, isCombing, onComb, children }: NotCombedProps) {
  return (
    <div style={{ padding: 22, display: 'grid', gap: 14, justifyItems: 'start' }}>
      <h1>Not combed yet</h1>
      <p style={{ margin: 0, maxWidth: 560 }}>
        Combing looks through all {view.things.toLocaleString('en')} things of this shell for duplicates,
        leftovers, hidden and stale ones. It changes nothing.
      </p>
      <Button variant="contained" size="large" onClick={onComb} disabled={isCombing}>
        Comb {view.code || view.title}
      </Button>
      {children}
    </div>
  );
}

/** How much carries a finding, how long the combing took, and how much a few decisions settle. */
function sayAudit(view: CombView, milliseconds: number): string {
  const { smoothness } = view;
  const rough = smoothness ? smoothness.total - smoothness.smooth : 0;
  const figures = (n: number) => n.toLocaleString('en');
  const all = `${figures(rough)} of ${figures(view.things)} things have a finding; combed in ${(milliseconds / 1000).toFixed(2)} s.`;
  const largest = [...view.batches].sort((a, b) => b.things - a.things).slice(0, 4);
  if (largest.length < 2) return all;
  const byId = new Map(view.findings.map((f) => [f.id, f]));
  const settled = largest
    .flatMap((batch) => batch.findings)
    .flatMap((id) => {
      const finding = byId.get(id);
      return finding ? finding.subjects.filter((s) => s.ref !== finding.keep) : [];
    });
  const things = new Set(settled.map((s) => `${s.type} ${s.ref}`)).size;
  return `${all} ${largest.length} decisions settle ${figures(things)} of them.`;
}

/** The Coat with the names of the families under it. */
function CoatCard({ view, onOpen }: { view: CombView; onOpen: (finding: string) => void }) {
  return (
    <div className={styles.card} style={{ padding: '12px 14px' }}>
      <Coat sketch={view.sketch} findings={view.findings} label="The Coat" onOpen={onOpen} />
      <ul aria-label="Families" className={styles.legend}>
        {families.map((family) => (
          <li key={family}>
            <FamilyShape family={family} size={13} />
            {familyTitles[family]}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** It asks for its view by itself. */
export const DrawnCombStage = drawnFrom(CombStage);

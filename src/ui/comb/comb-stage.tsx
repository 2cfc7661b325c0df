'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { families, familyTitles } from '@/core/checks/finding';
import { plural } from '@/core/text/plural';
import type { CombView } from '@/services/comb/comb-view';
import { Coat } from '../coat/coat';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import { BatchRow } from './batch-row';
import { FamilyTable } from './family-table';
import { SmoothnessPanel } from './smoothness-panel';
import { useDecisions } from './use-decisions';
import styles from './comb.module.css';

/** What is wrong with the shell: the whole of it at a glance, and the largest batches first. */
export function CombStage({ view }: { view: CombView }) {
  const router = useRouter();
  const job = useJob(() => router.refresh(), { shellId: view.id, kind: 'comb' });
  const decisions = useDecisions(view);
  const byId = useMemo(() => new Map(view.findings.map((f) => [f.id, f])), [view.findings]);
  const combing = job.view?.state === 'waiting' || job.view?.state === 'running';
  const comb = () => void job.start(`/api/shells/${view.id}/comb`);
  if (!view.combed)
    return (
      <div style={{ padding: 22, display: 'grid', gap: 14, justifyItems: 'start' }}>
        <h1>Not combed yet</h1>
        <p style={{ margin: 0, maxWidth: 560 }}>
          Combing looks through all {view.things.toLocaleString('en')} things of this shell for duplicates,
          leftovers, hidden and stale ones. It changes nothing.
        </p>
        <Button variant="contained" size="large" onClick={comb} disabled={combing}>
          Comb {view.code || view.title}
        </Button>
        <JobProgress job={job} label="Combing" />
      </div>
    );
  const { smoothness } = view;
  const rough = smoothness ? smoothness.total - smoothness.smooth : 0;
  const four = [...view.batches].sort((a, b) => b.things - a.things).slice(0, 4);
  const settles = new Set(
    four.flatMap((b) =>
      b.findings.flatMap((id) =>
        (byId.get(id)?.subjects ?? [])
          .filter((s) => s.ref !== byId.get(id)?.keep)
          .map((s) => `${s.type} ${s.ref}`),
      ),
    ),
  ).size;
  return (
    <div className={styles.page}>
      <div className={styles.main}>
        <div style={{ display: 'flex', gap: 12, alignItems: 'start' }}>
          <div style={{ flex: 1 }}>
            <h1>{view.headline}</h1>
            <p className="soft number" style={{ margin: '4px 0 0' }}>
              {rough.toLocaleString('en')} of {view.things.toLocaleString('en')} things have a finding; combed
              in {(view.combed.milliseconds / 1000).toFixed(2)} s.
              {four.length > 1 && ` ${four.length} decisions settle ${settles.toLocaleString('en')} of them.`}
            </p>
          </div>
          <Button variant="outlined" onClick={comb} disabled={combing}>
            Comb again
          </Button>
        </div>
        {view.combed.byOtherRules && (
          <Alert severity="info">
            The house rules were changed since this shell was combed. Comb it again to see what they find.
          </Alert>
        )}
        <JobProgress job={job} label="Combing" />
        <div className={styles.card} style={{ padding: '12px 14px' }}>
          <Coat
            sketch={view.sketch}
            findings={view.findings}
            label="The Coat"
            onOpen={(finding) => router.push(`/shells/${view.id}/decide?finding=${finding}`)}
          />
          <ul
            aria-label="Families"
            style={{
              display: 'flex',
              flexWrap: 'wrap',
              gap: '4px 18px',
              listStyle: 'none',
              margin: '8px 0 0',
              padding: 0,
              fontSize: '0.85rem',
            }}
          >
            {families.map((f) => (
              <li key={f} style={{ display: 'inline-flex', gap: 6, alignItems: 'center' }}>
                <FamilyShape family={f} size={13} />
                {familyTitles[f]}
              </li>
            ))}
          </ul>
        </div>
        <section aria-labelledby="batches">
          <div style={{ display: 'flex', alignItems: 'baseline', margin: '4px 0 8px' }}>
            <h2 id="batches" style={{ flex: 1 }}>
              What students would notice first
            </h2>
            {view.findings.length > 0 && (
              <Link href={`/shells/${view.id}/decide`} className="soft">
                all {plural(view.findings.length, 'finding')}
              </Link>
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
                    onAccept={() => void decisions.accept(takable)}
                    onTakeBack={() => void decisions.reopen(takable)}
                  />
                );
              })}
            </ul>
          )}
        </section>
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

/** What the audit did not say, and why: three answers that are never mixed up, each with its checks. */
function Unsaid({ view }: { view: CombView }) {
  const of = (state: CombView['checks'][number]['row']['state']) =>
    view.checks.filter((c) => c.row.state === state);
  const groups = [
    { title: 'could not run', checks: of('could-not-run'), open: true },
    { title: 'found nothing', checks: of('nothing-found'), open: false },
    { title: 'not applicable here', checks: of('not-applicable'), open: false },
    { title: 'switched off in the house rules', checks: of('switched-off'), open: false },
  ].filter((g) => g.checks.length);
  return (
    <section aria-labelledby="unsaid" className={styles.unsaid}>
      <h3 id="unsaid">{plural(view.checks.length, 'check')}</h3>
      <p className="number">
        <Link href="/checks">{view.checks.length - groups.reduce((n, g) => n + g.checks.length, 0)}</Link>{' '}
        found something
      </p>
      {groups.map((g) => (
        <details key={g.title} open={g.open}>
          <summary>
            <span className="number">{g.checks.length}</span> {g.title}
          </summary>
          <ul className="soft">
            {g.checks.map((c) => (
              <li key={c.id}>
                <Link href={`/checks/${c.id}`}>{c.title}</Link>
                {'reason' in c.row && `: ${c.row.reason}`}
              </li>
            ))}
          </ul>
        </details>
      ))}
      {view.leftBe.length > 0 && (
        <p className="number">
          <Link href={`/shells/${view.id}/decide?state=left-be`}>{view.leftBe.length} left be</Link>
        </p>
      )}
      {view.staleLeaveBes.length > 0 && (
        <details>
          <summary>
            <span className="number">{view.staleLeaveBes.length}</span> left be that nothing matches any more
          </summary>
          <ul className="soft">
            {view.staleLeaveBes.map((one) => (
              <li key={`${one.check} ${one.title}`}>{one.title}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { plural } from '@/core/text/plural';
import type { RehearseStageView, SealedView } from '@/services/rehearse/rehearse-view';
import { Coat } from '../coat/coat';
import { SmallCloth } from '../frame/cloth';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { FamilyShape } from '../marks/family-shape';
import { StepTable } from './step-table';
import styles from './rehearse.module.css';

/** The plan tried on a copy: before and after, what would break, what can come back. Opening the stage rehearses. */
export function RehearsalStage({ view }: { view: RehearseStageView }) {
  const router = useRouter();
  const rehearsal = useJob(() => router.refresh(), { shellId: view.id, kind: 'rehearse' });
  const run = useJob(
    () => {
      router.push(`/shells/${view.id}/carry-out`);
      router.refresh();
    },
    { shellId: view.id, kind: 'carry-out' },
  );
  const started = useRef<string | null>(null);
  const due = view.planSize > 0 && view.combed && !view.sealed;
  const { start } = rehearsal;
  useEffect(() => {
    if (!due || started.current === view.planKey) return;
    started.current = view.planKey;
    void start(`/api/shells/${view.id}/rehearse`);
  }, [due, start, view.id, view.planKey]);

  if (view.planSize === 0)
    return (
      <div className={styles.page}>
        <h1>The plan is empty</h1>
        <p style={{ margin: 0 }}>
          Accept what should go on <Link href={`/shells/${view.id}/comb`}>Comb</Link> or{' '}
          <Link href={`/shells/${view.id}/decide`}>Decide</Link>; then see here what would happen.
        </p>
      </div>
    );
  if (!view.sealed)
    return (
      <div className={styles.page}>
        <h1>Rehearsing {plural(view.planSize, 'change')}</h1>
        <JobProgress job={rehearsal} label="Rehearsing" />
        {rehearsal.trouble && (
          <div>
            <Button variant="outlined" onClick={() => void start(`/api/shells/${view.id}/rehearse`)}>
              Rehearse again
            </Button>
          </div>
        )}
      </div>
    );
  const running =
    run.view?.state === 'waiting' || run.view?.state === 'running' || run.view?.state === 'done';
  const { changes } = view.sealed;
  return (
    <div className={styles.page}>
      <Rehearsed view={view} sealed={view.sealed} />
      <div className={styles.foot}>
        <SmallCloth code={view.code} title={view.title} />
        <Button
          variant="contained"
          size="large"
          disabled={running || changes === 0}
          onClick={() => void run.start(`/api/shells/${view.id}/run`)}
        >
          Carry out {plural(changes, 'change')}
        </Button>
        <span className="soft">A restore point is made first; the whole run can be taken back.</span>
        <JobProgress job={run} label="Carrying out" />
      </div>
    </div>
  );
}

function Rehearsed({ view, sealed }: { view: RehearseStageView; sealed: SealedView }) {
  const blocked = sealed.results.filter((r) => r.outcome === 'blocked');
  const nothing = sealed.results.filter((r) => r.outcome === 'nothing');
  const done = sealed.results.filter((r) => r.outcome === 'done');
  const { removed } = sealed;
  const setup = removed.gradeCategories + removed.gradeColumns + removed.banks;
  const gone = removed.items + removed.files + removed.events + setup;
  const figures: readonly (readonly [number | string, string, string])[] = [
    [removed.items, 'items go', '#steps'],
    [removed.files, 'files go', '#steps'],
    [removed.events, 'events go', '#steps'],
    ...(setup > 0 ? [[setup, 'of the grade setup and banks go', '#steps'] as const] : []),
    [sealed.relinked, 'links led elsewhere', '#steps'],
    [sealed.broken.length, 'links would break', '#breaks'],
    [sealed.closed.length, 'findings close', '#findings'],
    [sealed.caused.length, 'findings would be new', '#findings'],
    [blocked.length, 'steps blocked', '#blocked'],
  ];
  return (
    <>
      <div>
        <h1>
          {gone > 0 ? `${plural(gone, 'thing')} would go` : `${plural(sealed.changes, 'thing')} would change`}
          {sealed.broken.length
            ? `, and ${plural(sealed.broken.length, 'link')} would break`
            : ', and no link would break'}
        </h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          Tried on a copy just now; nothing has been changed yet. Everything that goes returns if you take the
          run back: its restore point holds items, files and events whole.
        </p>
      </div>
      <ul className={styles.figures} aria-label="In figures">
        {figures.map(([n, label, to]) => (
          <li key={label}>
            <a href={to}>
              <strong className="number">{n}</strong>
              <span className="soft">{label}</span>
            </a>
          </li>
        ))}
      </ul>
      {blocked.length > 0 && (
        <Alert severity="warning" id="blocked">
          <strong>Some steps are blocked; the others would be done.</strong>
          <StepTable results={blocked} label="Blocked steps" />
        </Alert>
      )}
      <div className={styles.twice}>
        <section className={styles.card} aria-labelledby="before">
          <h2 id="before">
            Now{' '}
            {view.before.smoothness && (
              <span className="soft number">{view.before.smoothness.percent} % smooth</span>
            )}
          </h2>
          <Coat sketch={view.before.sketch} findings={view.before.findings} label="The Coat now" />
        </section>
        <section className={styles.card} aria-labelledby="after">
          <h2 id="after">
            Afterwards <span className="soft number">{sealed.smoothnessAfter.percent} % smooth</span>
          </h2>
          <Coat
            sketch={sealed.after.sketch}
            findings={sealed.after.audit.findings}
            label="The Coat afterwards"
          />
        </section>
      </div>
      <section className={styles.card} aria-labelledby="steps">
        <h2 id="steps">Step by step</h2>
        <StepTable results={done} label="Steps that would be done" />
        {nothing.length > 0 && (
          <>
            <h3 style={{ marginTop: 14 }}>Without effect</h3>
            <StepTable results={nothing} label="Steps without effect" />
          </>
        )}
      </section>
      <div className={styles.sections}>
        <section className={styles.card} aria-labelledby="sight">
          <h2 id="sight">What students would see</h2>
          <TitleList titles={sealed.lost} empty="They lose sight of nothing." label="no longer see" />
          <TitleList titles={sealed.gained} empty="Nothing new comes into sight." label="newly see" />
        </section>
        <section className={styles.card} aria-labelledby="breaks">
          <h2 id="breaks">Links that would break</h2>
          {sealed.broken.length ? (
            <ul>
              {sealed.broken.map((b, i) => (
                <li key={i}>
                  “{b.from}” would point at {b.asked}, which is gone
                </li>
              ))}
            </ul>
          ) : (
            <p>None.</p>
          )}
        </section>
        <section className={styles.card} aria-labelledby="findings">
          <h2 id="findings">Findings</h2>
          <TitleList titles={sealed.closed.map((c) => c.title)} empty="No finding closes." label="close" />
          {sealed.caused.length ? (
            <>
              <p>
                <strong className="number">{sealed.caused.length}</strong> would be new:
              </p>
              <ul>
                {sealed.caused.slice(0, 30).map((f) => (
                  <li key={f.id}>
                    <FamilyShape family={f.family} size={12} named /> {f.title}
                  </li>
                ))}
                {sealed.caused.length > 30 && <li>and {sealed.caused.length - 30} more</li>}
              </ul>
            </>
          ) : (
            <p>No new finding would come up.</p>
          )}
        </section>
      </div>
    </>
  );
}

function TitleList({ titles, empty, label }: { titles: readonly string[]; empty: string; label: string }) {
  if (!titles.length) return <p>{empty}</p>;
  return (
    <details>
      <summary>
        <strong className="number">{titles.length}</strong> {label}
      </summary>
      <ul style={{ maxHeight: 240, overflow: 'auto' }} tabIndex={0} aria-label={label}>
        {titles.map((t, i) => (
          <li key={i}>{t}</li>
        ))}
      </ul>
    </details>
  );
}

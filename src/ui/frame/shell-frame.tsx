'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { clothBackground, clothOf } from '../marks/cloth-pattern';
import { NameMark } from '../marks/name-mark';
import { PlanDrawer } from '../plan/plan-drawer';
import { FrameCounts, useFrameView } from '@/ui/stages/frame-counts';
import { PageTitle } from './page-title';
import { stages, type FrameView } from '@/ui/stages/stages';
import styles from './frame.module.css';

/** The frame around every screen of a shell: whose it is, where the work stands, how large the plan is. */
export function ShellFrame({ view, children }: { view: FrameView; children: ReactNode }) {
  return (
    <FrameCounts view={view}>
      <FrameBar first={view} />
      <main id="main">{children}</main>
    </FrameCounts>
  );
}

function FrameBar({ first }: { first: FrameView }) {
  const view = useFrameView(first);
  const path = usePathname();
  const base = `/shells/${view.id}`;
  const [isPlanOpen, setPlanOpen] = useState(false);
  return (
    <header className={styles.bar}>
      <PageTitle title={titleOf(view, path)} />
      <Link
        href={`${base}/bring-in`}
        className={styles.plate}
        style={{ background: clothBackground(clothOf(view.code || view.title)) }}
      >
        <strong>{view.code || view.title}</strong>
        {view.code && <span>{view.title}</span>}
        <span>
          {view.term} · you: {view.role}
        </span>
      </Link>
      <nav aria-label="Stages" style={{ display: 'contents' }}>
        <ol className={styles.stages}>
          {stages.map((stage) => (
            <li key={stage.key} className={styles.stage}>
              <Link
                href={`${base}/${stage.key}`}
                aria-current={path.startsWith(`${base}/${stage.key}`) ? 'step' : undefined}
              >
                {stage.title}
                <small className="number">{view.states[stage.key]}</small>
              </Link>
            </li>
          ))}
        </ol>
      </nav>
      {view.recipe && (
        <Link href={`${base}/recipe`} className={styles.recipe}>
          {view.recipe.title}
          <small className="number">
            {view.recipe.done} of {view.recipe.steps} done
          </small>
        </Link>
      )}
      <button
        type="button"
        className={styles.plan}
        data-filled={view.planSize > 0}
        aria-haspopup="dialog"
        onClick={() => setPlanOpen(true)}
      >
        <strong className="number" data-testid="plan-size">
          {view.planSize}
        </strong>
        <span>
          {view.planSize === 1 ? 'change' : 'changes'} in
          <br />
          the plan
        </span>
      </button>
      <Link href="/" className={styles.home} aria-label="All shells" title="All shells">
        <NameMark />
      </Link>
      <PlanDrawer shellId={view.id} isOpen={isPlanOpen} onClose={() => setPlanOpen(false)} />
    </header>
  );
}

/** The stage and the shell: "Comb · HYD 214 Spring 2027". */
function titleOf(view: FrameView, path: string): string {
  const stage = stages.find((stage) => path.startsWith(`/shells/${view.id}/${stage.key}`));
  const shell = `${view.code || view.title} ${view.term}`.trim();
  return stage ? `${stage.title} · ${shell}` : shell;
}

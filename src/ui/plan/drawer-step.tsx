'use client';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState } from 'react';
import type { DrawerStep } from '@/services/show/decide/plan-drawer';
import type { PlanDrawerState } from './use-plan-drawer';
import styles from './plan-drawer.module.css';

interface DrawerStepRowProps {
  readonly shellId: string;
  readonly step: DrawerStep;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly drawer: PlanDrawerState;
  readonly onLeave: () => void;
}

/** One step: what it does to what, who asked for it, what would not be done; up, down, things out, out. */
export function DrawerStepRow({ shellId, step, isFirst, isLast, drawer, onLeave }: DrawerStepRowProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <li className={styles.step}>
      <div className={styles.line}>
        <span className="soft number">{step.place}</span>
        <strong>
          {step.what} {step.count}
        </strong>
        <span className={styles.things}>{sayThings(step)}</span>
      </div>
      <div className="soft">
        {step.finding === null ? (
          'by hand'
        ) : (
          <Link href={`/shells/${shellId}/decide?finding=${step.finding.id}`} onClick={onLeave}>
            {step.finding.title}
          </Link>
        )}
      </div>
      {step.outcomes.map(({ outcome, count, reason }) => (
        <div key={`${outcome} ${reason}`} className={styles.trouble} data-outcome={outcome}>
          {outcome === 'blocked' ? 'Held back' : 'Does nothing'} for {count}: {reason}
        </div>
      ))}
      {step.contradictions.map((sentence) => (
        <div key={sentence} className={styles.trouble} data-outcome="contradiction">
          {sentence}
        </div>
      ))}
      <div className={styles.tools}>
        <Button size="small" color="inherit" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          Things
        </Button>
        <StepTools step={step} isFirst={isFirst} isLast={isLast} drawer={drawer} />
      </div>
      {isOpen && <Things step={step} drawer={drawer} />}
    </li>
  );
}

function StepTools({
  step,
  isFirst,
  isLast,
  drawer,
}: Pick<DrawerStepRowProps, 'step' | 'isFirst' | 'isLast' | 'drawer'>) {
  const tools = [
    { words: 'Up', isIdle: isFirst, run: () => drawer.shift(step, -1) },
    { words: 'Down', isIdle: isLast, run: () => drawer.shift(step, 1) },
    { words: 'Take out', isIdle: false, run: () => drawer.takeOut([step]) },
  ];
  return tools.map(({ words, isIdle, run }) => (
    <Button
      key={words}
      size="small"
      color="inherit"
      disabled={isIdle}
      aria-label={`${words}: step ${step.place}`}
      onClick={() => void run()}
    >
      {words}
    </Button>
  ));
}

function Things({ step, drawer }: { step: DrawerStep; drawer: PlanDrawerState }) {
  const more = step.count - step.things.length;
  return (
    <ul className={styles.thingList}>
      {step.things.map(({ ref, title }) => (
        <li key={ref}>
          <span>{title}</span>
          <Button
            size="small"
            color="inherit"
            aria-label={`Leave alone: ${title}`}
            onClick={() => void drawer.spare(step, ref)}
          >
            Leave alone
          </Button>
        </li>
      ))}
      {more > 0 && <li className="soft">and {more} more</li>}
    </ul>
  );
}

/** So many titles stand in a step’s line. */
const mostTitles = 2;

function sayThings({ things, count }: DrawerStep): string {
  const first = things.slice(0, mostTitles).map(({ title }) => title);
  const more = count - first.length;
  return more > 0 ? `${first.join(', ')} and ${more} more` : first.join(', ');
}

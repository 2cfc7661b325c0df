'use client';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import Link from 'next/link';
import { plural } from '@/core/text/plural';
import { useFirstMany } from '../marks/first-many';
import { DrawerStepRow } from './drawer-step';
import { KeptPlans } from './kept-plans';
import { usePlanDrawer, type PlanDrawerState } from './use-plan-drawer';
import styles from './plan-drawer.module.css';

interface PlanDrawerProps {
  readonly shellId: string;
  readonly isOpen: boolean;
  readonly onClose: () => void;
}

/** The plan beside whatever screen is open: its steps by place, what would not be done, and plans under a name. */
export function PlanDrawer({ shellId, isOpen, onClose }: PlanDrawerProps) {
  return (
    <Drawer
      anchor="right"
      open={isOpen}
      onClose={onClose}
      slotProps={{ paper: { className: styles.drawer, role: 'dialog', 'aria-labelledby': 'plan-drawer' } }}
    >
      <DrawerContent shellId={shellId} onClose={onClose} />
    </Drawer>
  );
}

function DrawerContent({ shellId, onClose }: Pick<PlanDrawerProps, 'shellId' | 'onClose'>) {
  const drawer = usePlanDrawer(shellId);
  const { view, trouble } = drawer;
  return (
    <>
      <header className={styles.head}>
        <h2 id="plan-drawer">
          The plan {view && <span className="soft number">{plural(view.steps, 'step')}</span>}
        </h2>
        <Button size="small" color="inherit" onClick={onClose}>
          Close
        </Button>
      </header>
      <div className={styles.body}>
        {trouble !== null && <p role="alert">{trouble}</p>}
        {view === null && trouble === null && <p className="soft">Looking at the plan …</p>}
        {view?.steps === 0 && (
          <p>
            Nothing is planned. Accept what should go on{' '}
            <Link href={`/shells/${shellId}/comb`} onClick={onClose}>
              Comb
            </Link>{' '}
            or{' '}
            <Link href={`/shells/${shellId}/decide`} onClick={onClose}>
              Decide
            </Link>
            .
          </p>
        )}
        {view?.groups.map((group) => (
          <Group key={group.place} shellId={shellId} group={group} drawer={drawer} onLeave={onClose} />
        ))}
        <KeptPlans shellId={shellId} hasSteps={(view?.steps ?? 0) > 0} onChange={drawer.reload} />
      </div>
      {view !== null && view.steps > 0 && (
        <footer className={styles.foot}>
          <Button href={`/shells/${shellId}/rehearse`} variant="contained">
            Rehearse {plural(view.size, 'change')}
          </Button>
          <Button href={`/shells/${shellId}/rehearse/plan`} color="inherit">
            As one list
          </Button>
        </footer>
      )}
    </>
  );
}

interface GroupProps {
  readonly shellId: string;
  readonly group: NonNullable<PlanDrawerState['view']>['groups'][number];
  readonly drawer: PlanDrawerState;
  readonly onLeave: () => void;
}

/** So many steps of a place are drawn at first. */
const firstSteps = 20;

function Group({ shellId, group, drawer, onLeave }: GroupProps) {
  const last = drawer.view?.steps ?? 0;
  const { shown, more } = useFirstMany(group.steps, firstSteps);
  return (
    <section aria-label={group.place}>
      <div className={styles.place}>
        <h3>{group.place}</h3>
        <span className="soft number">{plural(group.steps.length, 'step')}</span>
        <Button
          size="small"
          color="inherit"
          aria-label={`Take ${group.steps.length} out: ${group.place}`}
          onClick={() => void drawer.takeOut(group.steps)}
        >
          Take {group.steps.length} out
        </Button>
      </div>
      <ol className={styles.steps}>
        {shown.map((step) => (
          <DrawerStepRow
            key={step.id}
            shellId={shellId}
            step={step}
            isFirst={step.place === 1}
            isLast={step.place === last}
            drawer={drawer}
            onLeave={onLeave}
          />
        ))}
      </ol>
      {more}
    </section>
  );
}

'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { plural } from '@/core/text/plural';
import type { KeptPlansAnswer } from '@/services/do/decide/kept-plans';
import type { TakenPlan } from '@/services/do/decide/plan-file';
import { send } from '../jobs/use-job';
import { NameForm } from '../parts/name-form';
import { TakenPlanNote } from './taken-plan-note';
import styles from './plan-drawer.module.css';

interface KeptPlansProps {
  readonly shellId: string;
  readonly hasSteps: boolean;
  readonly onChange: () => void;
}

/** Plans under a name: the one of this shell is kept, any of them is used here, or dropped. */
export function KeptPlans({ shellId, hasSteps, onChange }: KeptPlansProps) {
  const router = useRouter();
  const [plans, setPlans] = useState<KeptPlansAnswer['plans']>([]);
  const [taken, setTaken] = useState<TakenPlan | null>(null);
  const [trouble, setTrouble] = useState('');
  const address = `/api/shells/${shellId}/plan/kept`;
  useEffect(() => {
    void send<KeptPlansAnswer>(address, undefined, 'GET').then((result) => {
      if (result.ok) setPlans(result.value.plans);
    });
  }, [address]);
  const edit = async (body: unknown) => {
    const result = await send<KeptPlansAnswer>(address, body);
    setTrouble(result.ok ? '' : result.trouble);
    if (!result.ok) return false;
    setPlans(result.value.plans);
    if (result.value.taken) {
      setTaken(result.value.taken);
      onChange();
      router.refresh();
    }
    return true;
  };
  return (
    <section aria-labelledby="kept-plans" className={styles.kept}>
      <h3 id="kept-plans">Plans kept by name</h3>
      {taken && <TakenPlanNote taken={taken} onClose={() => setTaken(null)} />}
      {plans.length === 0 && <p className="soft">None yet. A plan that is kept serves other shells, too.</p>}
      <ul>
        {plans.map((plan) => (
          <KeptPlanLine
            key={plan.name}
            plan={plan}
            onUse={() => void edit({ edit: 'use', name: plan.name })}
            onDrop={() => void edit({ edit: 'drop', name: plan.name })}
          />
        ))}
      </ul>
      {hasSteps && (
        <NameForm
          label="Keep this plan as"
          button="Keep"
          trouble={trouble}
          onName={(name) => edit({ edit: 'keep', name })}
        />
      )}
    </section>
  );
}

interface KeptPlanLineProps {
  readonly plan: KeptPlansAnswer['plans'][number];
  readonly onUse: () => void;
  readonly onDrop: () => void;
}

function KeptPlanLine({ plan: { name, steps, madeFor }, onUse, onDrop }: KeptPlanLineProps) {
  return (
    <li>
      <span>
        <strong>{name}</strong>{' '}
        <span className="soft">
          {plural(steps, 'step')}, made for {madeFor}
        </span>
      </span>
      <Button size="small" aria-label={`Use here: ${name}`} onClick={onUse}>
        Use here
      </Button>
      <Button size="small" color="inherit" aria-label={`Drop ${name}`} onClick={onDrop}>
        Drop
      </Button>
    </li>
  );
}

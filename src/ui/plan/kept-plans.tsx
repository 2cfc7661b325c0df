'use client';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useEffect, useState, type FormEvent } from 'react';
import { plural } from '@/core/text/plural';
import type { KeptPlansAnswer } from '@/services/decide/kept-plans';
import type { TakenPlan } from '@/services/decide/plan-file';
import { send } from '../jobs/use-job';
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
  const [name, setName] = useState('');
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
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    if (await edit({ edit: 'keep', name })) setName('');
  };
  return (
    <section aria-labelledby="kept-plans" className={styles.kept}>
      <h3 id="kept-plans">Plans kept by name</h3>
      {taken && <TakenPlanNote taken={taken} onClose={() => setTaken(null)} />}
      {plans.length === 0 && <p className="soft">None yet. A plan that is kept serves other shells, too.</p>}
      <ul>
        {plans.map((plan) => (
          <li key={plan.name}>
            <span>
              <strong>{plan.name}</strong>{' '}
              <span className="soft">
                {plural(plan.steps, 'step')}, made for {plan.madeFor}
              </span>
            </span>
            <Button
              size="small"
              aria-label={`Use here: ${plan.name}`}
              onClick={() => void edit({ edit: 'use', name: plan.name })}
            >
              Use here
            </Button>
            <Button
              size="small"
              color="inherit"
              aria-label={`Drop ${plan.name}`}
              onClick={() => void edit({ edit: 'drop', name: plan.name })}
            >
              Drop
            </Button>
          </li>
        ))}
      </ul>
      {hasSteps && (
        <form onSubmit={(event) => void keep(event)}>
          <TextField
            size="small"
            label="Keep this plan as"
            value={name}
            onChange={(event) => setName(event.target.value)}
            error={trouble !== ''}
            helperText={trouble}
          />
          <Button type="submit" variant="outlined" disabled={name.trim() === ''}>
            Keep
          </Button>
        </form>
      )}
    </section>
  );
}

'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useSnackbar } from '../theme/message-bar';
import { useState } from 'react';
import type { WrittenRules } from '@/services/keep/rules/written-rules';
import { send } from '../jobs/use-job';
import { CheckSettings, type CheckForm } from './check-settings';
import { LiveEffectLine, type TrialShell } from './live-effect-line';
import { useLiveEffect } from './use-live-effect';

/** A check's settings on its own page, with what a change would do. */
export function CheckSettingsCard({
  check,
  kept,
  shells,
}: {
  check: CheckForm;
  kept: WrittenRules;
  shells: readonly TrialShell[];
}) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [rules, setRules] = useState(kept);
  const [shell, setShell] = useState(shells[0]?.id ?? null);
  const live = useLiveEffect(shell, rules, kept);
  const changed = JSON.stringify(rules) !== JSON.stringify(kept);
  const save = async () => {
    const saved = await send('/api/house-rules', rules, 'PUT');
    enqueueSnackbar(saved.ok ? 'Kept in the house rules. Comb again to see it.' : saved.trouble, {
      variant: saved.ok ? 'success' : 'error',
    });
    if (saved.ok) router.refresh();
  };
  return (
    <div style={{ display: 'grid', gap: 14 }}>
      <CheckSettings check={check} rules={rules} effect={null} onChange={setRules} />
      <LiveEffectLine shells={shells} shell={shell} onShell={setShell} live={live} />
      <div style={{ display: 'flex', gap: 10 }}>
        <Button variant="contained" disabled={!changed} onClick={() => void save()}>
          Save the setting
        </Button>
        {changed && <Button onClick={() => setRules(kept)}>Back to what is kept</Button>}
      </div>
    </div>
  );
}

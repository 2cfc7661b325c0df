'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { TakenPlan } from '@/services/do/decide/plan-file';
import { send } from '../jobs/use-job';
import { FileButton } from '../parts/file-button';
import { TakenPlanNote } from './taken-plan-note';

/** Keeps the plan as a file, and takes one in: for the command line, for next term, for another shell. */
export function PlanFiles({ id, hasSteps }: { id: string; hasSteps: boolean }) {
  const router = useRouter();
  const [taken, setTaken] = useState<TakenPlan | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const address = `/api/shells/${id}/plan/file`;
  const takeIn = async (file: File) => {
    const plan = parsed(await file.text());
    const result =
      plan === undefined
        ? ({
            ok: false,
            trouble: `“${file.name}” is not readable as JSON; choose a plan that Currycomb wrote.`,
          } as const)
        : await send<TakenPlan>(address, plan);
    setTaken(result.ok ? result.value : null);
    setTrouble(result.ok ? null : result.trouble);
    router.refresh();
  };
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <div style={{ display: 'flex', gap: 8 }}>
        {hasSteps && (
          <Button size="small" variant="outlined" href={address} download>
            Save the plan as a file
          </Button>
        )}
        <FileButton
          size="small"
          variant="outlined"
          words="Take a plan in …"
          label="A plan file"
          accept=".json,application/json"
          testId="plan-file"
          onFile={(file) => void takeIn(file)}
        />
      </div>
      {trouble !== null && <Alert severity="error">{trouble}</Alert>}
      {taken && <TakenPlanNote taken={taken} onClose={() => setTaken(null)} />}
    </div>
  );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

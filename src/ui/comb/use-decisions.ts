'use client';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useCallback, useState, useTransition } from 'react';
import type { Step } from '@/core/plan/step';
import { send } from '../jobs/use-job';

export interface Decisions {
  readonly busy: boolean;
  accept(findings: readonly string[]): Promise<boolean>;
  leaveBe(findings: readonly string[]): Promise<boolean>;
  reopen(findings: readonly string[]): Promise<boolean>;
  change(finding: string, step: Pick<Step, 'action' | 'targets' | 'params'>): Promise<boolean>;
}

/** Sends decisions and brings the page up to date; trouble is said at the bottom of the page. */
export function useDecisions(shellId: string): Decisions {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [sending, setSending] = useState(false);
  const [refreshing, startRefresh] = useTransition();
  const decide = useCallback(
    async (body: unknown) => {
      setSending(true);
      const result = await send(`/api/shells/${shellId}/decisions`, body);
      setSending(false);
      if (!result.ok) enqueueSnackbar(result.trouble, { variant: 'error' });
      else startRefresh(() => router.refresh());
      return result.ok;
    },
    [shellId, router, enqueueSnackbar],
  );
  return {
    busy: sending || refreshing,
    accept: (findings) => decide({ decision: 'accept', findings }),
    leaveBe: (findings) => decide({ decision: 'leave-be', findings }),
    reopen: (findings) => decide({ decision: 'reopen', findings }),
    change: (finding, step) => decide({ decision: 'change', findings: [finding], step }),
  };
}

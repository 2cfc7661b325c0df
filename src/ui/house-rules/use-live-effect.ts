'use client';
import { useEffect, useMemo, useState } from 'react';
import type { RuleEffect } from '@/core/checks/run/compare-findings';
import type { WrittenRules } from '@/services/keep/rules/written-rules';
import { useJob } from '../jobs/use-job';

export interface LiveEffect {
  /** Null while nothing was tried, or while the rules changed since. */
  readonly effects: ReadonlyMap<string, RuleEffect> | null;
  readonly trying: boolean;
  readonly trouble: string | null;
}

/** Tries rules on a shell a moment after the last change: what they would change there, check by check. */
export function useLiveEffect(shellId: string | null, rules: WrittenRules, kept: WrittenRules): LiveEffect {
  const [tried, setTried] = useState<{ key: string; effects: ReadonlyMap<string, RuleEffect> } | null>(null);
  const key = useMemo(() => `${shellId} ${JSON.stringify(rules)}`, [shellId, rules]);
  const same = useMemo(() => JSON.stringify(rules) === JSON.stringify(kept), [rules, kept]);
  const [asked, setAsked] = useState('');
  const job = useJob((view) =>
    setTried({
      key: asked,
      effects: new Map((JSON.parse(view.result ?? '[]') as RuleEffect[]).map((e) => [e.check, e])),
    }),
  );
  const { start } = job;
  useEffect(() => {
    if (!shellId || same) return;
    const wait = setTimeout(() => {
      setAsked(key);
      void start(`/api/shells/${shellId}/try-rules`, rules);
    }, 350);
    return () => clearTimeout(wait);
  }, [shellId, rules, key, same, start]);
  const known = tried?.key === key ? tried.effects : null;
  return {
    effects: same ? new Map() : known,
    trying: !same && tried?.key !== key,
    trouble: job.trouble,
  };
}

'use client';
import { useRef, useState } from 'react';
import type { PackageGroup } from '@/core/many-shells/package-groups';
import { sideFiles } from '@/core/many-shells/side-files';
import type { JobsProgress } from '@/services/do/many-shells/jobs-progress';
import { upload } from '../bring-in/upload';
import { send } from '../jobs/use-job';
import type { TermWords } from './common-term';
import { useJobsTogether } from './use-jobs-together';

interface SendOptions {
  readonly files: ReadonlyMap<string, File>;
  readonly codeOf: (group: PackageGroup) => string;
  readonly term: TermWords;
}

export interface SendGroups {
  readonly state: 'idle' | 'sending' | 'over';
  readonly progress: JobsProgress | null;
  /** What went wrong, by package; all others are here or on their way. */
  readonly troubles: ReadonlyMap<string, string>;
  send(groups: readonly PackageGroup[], options: SendOptions): Promise<void>;
  cancel(): void;
}

/** Sends packages one after another, each read as soon as it has arrived; one that is refused holds up no other. */
export function useSendGroups(): SendGroups {
  const [state, setState] = useState<SendGroups['state']>('idle');
  const [sent, setSent] = useState<JobsProgress | null>(null);
  const [troubles, setTroubles] = useState<ReadonlyMap<string, string>>(new Map());
  const isCancelled = useRef(false);
  const jobs = useJobsTogether();
  const sendAll = async (groups: readonly PackageGroup[], options: SendOptions) => {
    isCancelled.current = false;
    setState('sending');
    const wrong = new Map<string, string>();
    const packageOf = new Map<string, string>();
    for (const [place, group] of groups.entries()) {
      if (isCancelled.current) wrong.set(group.package, 'Cancelled; it was not brought in.');
      else {
        setSent({ all: groups.length, over: 0, underWay: place / 2, troubles: [], results: [] });
        const ordered = await sendOne(group, options);
        if (ordered.ok) packageOf.set(ordered.jobId, group.package);
        else wrong.set(group.package, ordered.trouble);
      }
      setTroubles(new Map(wrong));
    }
    setSent(null);
    const ended = await jobs.follow([...packageOf.keys()]);
    for (const { id, trouble } of ended?.troubles ?? []) wrong.set(packageOf.get(id) ?? id, trouble);
    setTroubles(new Map(wrong));
    setState('over');
  };
  const cancel = () => {
    isCancelled.current = true;
    jobs.cancel();
  };
  return { state, progress: jobs.progress ?? sent, troubles, send: sendAll, cancel };
}

type Ordered =
  { readonly ok: true; readonly jobId: string } | { readonly ok: false; readonly trouble: string };

async function sendOne(group: PackageGroup, { files, codeOf, term }: SendOptions): Promise<Ordered> {
  const form: Record<string, { id: string; name: string }> = {};
  const wanted = [
    ['package', group.package] as const,
    ...sideFiles.flatMap((side) => {
      const path = group.sides[side];
      return path === undefined ? [] : [[side, path] as const];
    }),
  ];
  for (const [slot, path] of wanted) {
    const file = files.get(path);
    if (!file) return { ok: false, trouble: `“${path}” is not there any more; choose the folder again.` };
    const arrived = await upload(file);
    if (!arrived.ok) return { ok: false, trouble: `“${file.name}”: ${arrived.trouble}` };
    form[slot] = { id: arrived.id, name: file.name };
  }
  const about = { ...term, code: codeOf(group), statusColumns: {}, comb: true };
  const ordered = await send<{ jobId: string }>('/api/bring-in', { ...form, ...about });
  return ordered.ok ? { ok: true, jobId: ordered.value.jobId } : { ok: false, trouble: ordered.trouble };
}

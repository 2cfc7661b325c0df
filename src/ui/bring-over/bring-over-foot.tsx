'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { kindOf } from '@/core/add/choose';
import { entryOf } from '@/core/entries';
import { plural } from '@/core/text/plural';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import { JobProgress } from '../jobs/job-progress';
import { send, useJob, type WatchedJob } from '../jobs/use-job';
import { SmallCloth } from '../marks/small-cloth';
import { AlsoInto, type AlsoTarget } from './also-into';
import type { Bringing, useBringing } from './use-bringing';
import styles from './bring-over.module.css';

interface BringOverFootProps {
  readonly view: BringOverView;
  readonly state: ReturnType<typeof useBringing>;
}

/** Bringing over, here and into other shells; comparing again; discarding. */
function useRuns(
  view: BringOverView,
  { bringing, forget }: BringOverFootProps['state'],
  targets: readonly AlsoTarget[],
) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const id = view.shellId;
  const adding = useJob(
    () => {
      forget();
      router.push(`/shells/${id}/carry-out`);
      router.refresh();
    },
    { shellId: id, kind: 'add' },
  );
  const again = useJob(() => router.refresh());
  const bringOver = async () => {
    const told = await bringIntoOthers(targets, bringing);
    setTrouble(told);
    if (told === null) await adding.start(`/api/shells/${id}/add`, orderOf(view, bringing));
  };
  const discard = async () => {
    forget();
    await send(`/api/shells/${id}/incoming`, {}, 'DELETE');
    router.refresh();
  };
  const isBusy = isUnderWay(adding) || isUnderWay(again) || adding.view?.state === 'done';
  return { adding, again, isBusy, trouble, bringOver, discard };
}

/** What comes along, and the button that brings it over. */
export function BringOverFoot({ view, state }: BringOverFootProps) {
  const { choice } = state;
  const [isAlso, setAlso] = useState(false);
  const [targets, setTargets] = useState<readonly AlsoTarget[]>([]);
  const { adding, again, isBusy, trouble, bringOver, discard } = useRuns(view, state, targets);
  const id = view.shellId;
  const number = choice.ticked.size + choice.replaced.size;
  return (
    <div className={styles.foot}>
      {isAlso && <AlsoInto view={view} chosen={choice.ticked} onTargets={setTargets} />}
      <SmallCloth code={view.code} title={view.code} />
      <Button
        variant="contained"
        disabled={isBusy || view.stale || number === 0}
        onClick={() => void bringOver()}
      >
        {sayButton(number, targets.length)}
      </Button>
      {view.others.length > 0 && (
        <Button
          color="inherit"
          variant="outlined"
          disabled={isBusy || number === 0}
          aria-expanded={isAlso}
          onClick={() => {
            setAlso((now) => !now);
            setTargets([]);
          }}
        >
          Also into…
        </Button>
      )}
      <Button color="inherit" variant="outlined" disabled={isBusy} onClick={() => void discard()}>
        Discard
      </Button>
      {view.stale ? (
        <StaleShell isBusy={isBusy} onAgain={() => void again.start(`/api/shells/${id}/incoming/again`)} />
      ) : (
        <span className="soft" role="status">
          {sayAlong(view, state)} A restore point is made first. Your choice is kept until you bring it over
          or discard it.
        </span>
      )}
      {trouble !== null && (
        <Alert severity="error" role="alert">
          {trouble}
        </Alert>
      )}
      <JobProgress job={adding} label="Bringing over" />
      <JobProgress job={again} label="Comparing" />
    </div>
  );
}

function StaleShell({ isBusy, onAgain }: { readonly isBusy: boolean; readonly onAgain: () => void }) {
  return (
    <Alert
      severity="info"
      action={
        <Button size="small" disabled={isBusy} onClick={onAgain}>
          Compare again
        </Button>
      }
    >
      The shell has changed since.
    </Alert>
  );
}

const isUnderWay = ({ view }: WatchedJob): boolean => view?.state === 'waiting' || view?.state === 'running';

/** What comes along without having been ticked, in one sentence. */
function sayAlong({ preview }: BringOverView, { choice }: BringOverFootProps['state']): string {
  const counts = new Map<string, number>();
  for (const thing of preview.things) {
    if (!choice.needed.has(thing.key)) continue;
    const kind = thing.kind === 'module' ? 'module' : kindOf(thing);
    counts.set(kind, (counts.get(kind) ?? 0) + 1);
  }
  const parts = [...counts].map(([kind, count]) =>
    plural(count, ...(entryOf(names, kind) ?? (['thing', 'things'] as const))),
  );
  if (parts.length === 0) return '';
  const last = parts.pop() ?? '';
  const all = parts.length > 0 ? `${parts.join(', ')} and ${last}` : last;
  return `${all} ${choice.needed.size === 1 ? 'comes' : 'come'} along.`;
}

const names: Readonly<Record<string, readonly [string, string]>> = {
  module: ['module', 'modules'],
  file: ['file', 'files'],
  bank: ['question bank', 'question banks'],
  'grade-setup': ['grade column or category', 'grade columns and categories'],
  page: ['page', 'pages'],
};

const sayButton = (number: number, others: number): string => {
  const things = `Bring over ${number.toLocaleString('en')}`;
  return others === 0 ? things : `${things} into ${plural(others + 1, 'shell')}`;
};

/** Orders the same for other shells, as far as something is new there; the sentence of the first that refuses. */
async function bringIntoOthers(targets: readonly AlsoTarget[], bringing: Bringing): Promise<string | null> {
  for (const target of targets) {
    const order = orderFor(target, bringing);
    if (order.chosen.length === 0) continue;
    const answer = await send(`/api/shells/${target.id}/add`, order);
    if (!answer.ok) return `${target.name}: ${answer.trouble}`;
  }
  return null;
}

/** What is asked for another shell: what of the choice is new there, where it matches. */
function orderFor({ incoming, fresh }: AlsoTarget, { chosen, dating, sourceTerm, hidden }: Bringing) {
  const landing = { where: 'match' } as const;
  return {
    incoming,
    chosen: [...chosen].filter((key) => fresh.has(key)),
    landing,
    dating,
    sourceTerm,
    hidden,
  };
}

/** What the server is asked for. */
function orderOf(view: BringOverView, bringing: Bringing) {
  const { chosen, replace, landing, dating, sourceTerm, hidden } = bringing;
  return {
    incoming: view.id,
    chosen: [...chosen],
    replace: [...replace],
    landing,
    dating,
    sourceTerm,
    hidden,
  };
}

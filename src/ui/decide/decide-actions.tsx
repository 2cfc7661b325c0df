'use client';
import { actionTitle } from '@/core/plan/action-title';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { plural } from '@/core/text/plural';
import { isUndecided } from './filter';
import { divisibleTargets, remedyWords } from './remedies';
import type { LoadedEvidence } from './use-evidence';
import type { WorkbenchState } from './use-workbench';
import styles from './decide.module.css';

interface DecideActionsProps {
  readonly shellId: string;
  readonly bench: WorkbenchState;
  readonly here: LoadedEvidence | null;
}

/** The buttons that decide: each says how many things it touches. */
export function DecideActions({ shellId, bench, here }: DecideActionsProps) {
  const { filter, chosen, decisions } = bench;
  return (
    <div className={styles.actions} role="group" aria-label="Decide">
      {isUndecided(filter.state) ? <OpenActions bench={bench} here={here} /> : <ReopenAction bench={bench} />}
      {chosen.size > 0 && (
        <span className="soft number" role="status">
          {chosen.size} chosen
        </span>
      )}
      <span style={{ flex: 1 }} />
      {bench.lists.asked.length > 0 && (
        <Button href={`/shells/${shellId}/decide/questions`} variant="text">
          Question sheet ({bench.lists.asked.length})
        </Button>
      )}
      {decisions.planSize > 0 && (
        <Button href={`/shells/${shellId}/rehearse`} variant="text">
          Rehearse {plural(decisions.planSize, 'change')}
        </Button>
      )}
    </div>
  );
}

function OpenActions({ bench, here }: { bench: WorkbenchState; here: LoadedEvidence | null }) {
  const { about, chosen, current, spared } = bench;
  const takable = about.filter((f) => f.remedy !== null);
  const touches = new Set(takable.flatMap((f) => f.remedy?.targets ?? [])).size;
  const words = chosen.size
    ? `Accept ${takable.length} (touches ${touches})`
    : ((current && remedyWords(current, spared.size)) ?? 'Accept');
  const isWhollySpared =
    current !== null && spared.size > 0 && spared.size === divisibleTargets(current).length;
  const others = chosen.size ? [] : (here?.evidence?.others ?? []).filter((way) => way.keeps === null);
  return (
    <>
      <Button variant="contained" disabled={!takable.length || isWhollySpared} onClick={bench.accept}>
        {words}
      </Button>
      {chosen.size > 0 && <OfferedActions bench={bench} />}
      {others.map(({ label, place }) => (
        <Button key={place} variant="outlined" onClick={() => bench.change(place)}>
          {label}
        </Button>
      ))}
      <Button variant="outlined" color="inherit" disabled={!about.length} onClick={() => bench.leaveBe()}>
        {chosen.size > 1 ? `Leave ${about.length} be` : 'Leave be'}
      </Button>
      <ReasonedLeave bench={bench} />
      <WaitingActions bench={bench} />
    </>
  );
}

/** What else can be done about the chosen findings, each with how many of them offer it. */
function OfferedActions({ bench }: { bench: WorkbenchState }) {
  const counts = new Map<string, number>();
  for (const { offers } of bench.about)
    for (const action of new Set(offers)) counts.set(action, (counts.get(action) ?? 0) + 1);
  return [...counts].map(([action, n]) => (
    <Button key={action} variant="outlined" onClick={() => bench.changeAll(action)}>
      {actionTitle(action)} {n.toLocaleString('en')}
    </Button>
  ));
}

/** Leaving be with a reason, which stands in the list from then on. */
function ReasonedLeave({ bench }: { bench: WorkbenchState }) {
  const [reason, setReason] = useState<string | null>(null);
  if (reason === null)
    return (
      <Button variant="text" color="inherit" disabled={!bench.about.length} onClick={() => setReason('')}>
        because …
      </Button>
    );
  return (
    <form
      style={{ display: 'flex', gap: 6 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (reason.trim() === '') return;
        bench.leaveBe(reason.trim());
        setReason(null);
      }}
      onKeyDown={(event) => event.key === 'Escape' && setReason(null)}
    >
      <TextField
        size="small"
        label="Leave be, because"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        autoFocus
      />
      <Button type="submit" variant="outlined" color="inherit" disabled={reason.trim() === ''}>
        Leave be for this
      </Button>
    </form>
  );
}

/** What the owner must say, and what is for another day; back from there. */
function WaitingActions({ bench }: { bench: WorkbenchState }) {
  const { about, filter } = bench;
  const isWaiting = filter.state === 'asked' || filter.state === 'later';
  const many = about.length > 1 ? ` ${about.length}` : '';
  return (
    <>
      {filter.state !== 'asked' && (
        <Button variant="text" color="inherit" disabled={!about.length} onClick={bench.ask}>
          Ask{many}
        </Button>
      )}
      {filter.state !== 'later' && (
        <Button variant="text" color="inherit" disabled={!about.length} onClick={bench.later}>
          Later{many}
        </Button>
      )}
      {isWaiting && (
        <Button variant="text" color="inherit" disabled={!about.length} onClick={bench.reopen}>
          Open again{many}
        </Button>
      )}
    </>
  );
}

function ReopenAction({ bench }: { bench: WorkbenchState }) {
  const { about, filter } = bench;
  return (
    <Button variant="outlined" disabled={!about.length} onClick={bench.reopen}>
      {filter.state === 'planned' ? `Take ${about.length} out of the plan` : `Open ${about.length} again`}
    </Button>
  );
}

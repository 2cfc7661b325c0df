'use client';
import Alert from '@mui/material/Alert';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { HostView } from '@/services/keep/hosts/host-records';
import type { OfferedShell } from '@/services/do/hosts/sign-in';
import { JobProgress } from '../jobs/job-progress';
import { useJob } from '../jobs/use-job';
import { useAnswer } from '../jobs/use-answer';
import { KnownHosts } from './known-hosts';
import { OfferedShells } from './offered-shells';
import { SignInForm } from './sign-in-form';
import styles from './hosts.module.css';

interface HostStageProps {
  readonly hosts: readonly HostView[];
  /** An address to begin with; empty where nobody gave one. */
  readonly proposed: string;
}

/** Signs in to a campus host and reads one of its shells. Who signed in once is not asked again. */
export function HostStage({ hosts, proposed }: HostStageProps) {
  const router = useRouter();
  const [known, setKnown] = useState(hosts);
  const [chosen, setChosen] = useState<HostView | null>(hosts.length === 1 ? (hosts[0] ?? null) : null);
  const offered = useAnswer<readonly OfferedShell[]>(chosen ? `/api/hosts/${chosen.id}/shells` : null);
  const pull = useJob((view) => {
    const { shellId } = JSON.parse(view.result ?? '{}') as { shellId: string };
    router.push(`/shells/${shellId}/comb`);
  });
  const isBusy = pull.view !== null && pull.trouble === null;
  const signedIn = (host: HostView) => {
    setKnown((before) => [...before.filter(({ id }) => id !== host.id), host]);
    setChosen(host);
  };
  const forgotten = (host: HostView) => {
    setKnown((before) => before.filter(({ id }) => id !== host.id));
    setChosen((now) => (now?.id === host.id ? null : now));
  };
  return (
    <div className={styles.page}>
      {known.length > 0 && (
        <KnownHosts hosts={known} chosen={chosen} onChoose={setChosen} onForgotten={forgotten} />
      )}
      {chosen && (
        <section className={styles.card} aria-labelledby="offered" aria-live="polite">
          <h2 id="offered">Shells of {chosen.account}</h2>
          {offered === null && <p className="soft">Asking the host …</p>}
          {offered?.trouble && <Alert severity="error">{offered.trouble}</Alert>}
          {offered?.value && (
            <OfferedShells
              shells={offered.value}
              isBusy={isBusy}
              onRead={(shell) => void pull.start('/api/pull', { hostId: chosen.id, shell })}
            />
          )}
          <JobProgress job={pull} label="Reading the shell" />
        </section>
      )}
      <SignInForm proposed={proposed} isFirst={known.length === 0} onSignedIn={signedIn} />
    </div>
  );
}

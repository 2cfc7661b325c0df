'use client';
import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { IncomingKey } from '@/core/add/incoming';
import { plural } from '@/core/text/plural';
import type { BringOverView } from '@/services/show/bring-in/bring-over-view';
import { send, useJob } from '../jobs/use-job';
import { SmallCloth } from '../marks/small-cloth';
import styles from './bring-over.module.css';

type OtherShell = BringOverView['others'][number];

/** A shell that gets the same, as far as that is new there. */
export interface AlsoTarget {
  readonly id: string;
  readonly name: string;
  readonly incoming: string;
  readonly fresh: ReadonlySet<IncomingKey>;
}

interface AlsoIntoProps {
  readonly view: BringOverView;
  readonly chosen: ReadonlySet<IncomingKey>;
  readonly onTargets: (change: (now: readonly AlsoTarget[]) => readonly AlsoTarget[]) => void;
}

/** Other shells that get the same: each is compared with the source by itself, and gets a run and an undo of its own. */
export function AlsoInto({ view, chosen, onTargets }: AlsoIntoProps) {
  const [shells, setShells] = useState<readonly OtherShell[]>([]);
  const choose = (next: readonly OtherShell[]) => {
    const ids = new Set(next.map(({ id }) => id));
    setShells(next);
    onTargets((now) => now.filter(({ id }) => ids.has(id)));
  };
  return (
    <div className={styles.also}>
      <Autocomplete
        multiple
        size="small"
        options={view.others}
        value={[...shells]}
        onChange={(_, next) => choose(next)}
        getOptionLabel={({ code, title, term }) =>
          [code, title, term].filter((text) => text !== '').join(' · ')
        }
        getOptionKey={({ id }) => id}
        isOptionEqualToValue={(one, other) => one.id === other.id}
        renderInput={(params) => <TextField {...params} label="Also into these shells" />}
      />
      {shells.map((shell) => (
        <OtherTarget
          key={shell.id}
          view={view}
          shell={shell}
          chosen={chosen}
          onReady={(target) => onTargets((now) => [...now.filter(({ id }) => id !== target.id), target])}
        />
      ))}
    </div>
  );
}

interface OtherTargetProps {
  readonly view: BringOverView;
  readonly shell: OtherShell;
  readonly chosen: ReadonlySet<IncomingKey>;
  readonly onReady: (target: AlsoTarget) => void;
}

/** One more shell: how much of the choice is new there. */
function OtherTarget({ view, shell, chosen, onReady }: OtherTargetProps) {
  const [fresh, setFresh] = useState<ReadonlySet<IncomingKey> | null>(null);
  const job = useJob(() => {
    void send<BringOverView>(`/api/shells/${shell.id}/stages/bring-over`, undefined, 'GET').then((answer) => {
      if (!answer.ok) return;
      const { id, preview } = answer.value;
      const keys = new Set(preview.things.filter(({ standing }) => standing === 'new').map(({ key }) => key));
      setFresh(keys);
      onReady({ id: shell.id, name: shell.code || shell.title, incoming: id, fresh: keys });
    });
  });
  const { start } = job;
  useEffect(() => {
    void start(`/api/shells/${shell.id}/incoming/same`, { as: view.shellId });
    // Once for each shell that is chosen.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shell.id, view.shellId]);
  const count = fresh === null ? 0 : [...chosen].filter((key) => fresh.has(key)).length;
  return (
    <p className={styles.alsoRow} role="status">
      <SmallCloth code={shell.code} title={shell.title} />
      {fresh === null ? (
        <span className="soft">{job.trouble ?? 'Comparing…'}</span>
      ) : (
        <>
          {plural(count, 'thing is', 'things are')} new there, {plural(chosen.size - count, 'is', 'are')} not.{' '}
          <Link href={`/shells/${shell.id}/bring-in/add`} target="_blank">
            Look
          </Link>
        </>
      )}
    </p>
  );
}

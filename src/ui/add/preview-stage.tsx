'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { IncomingKey, Standing } from '@/core/add/incoming';
import { chooseNamed, type Choice } from '@/core/add/choose';
import { plural } from '@/core/text/plural';
import type { PreviewView } from '@/services/do/add/preview-view';
import { IntakeReport } from '../bring-in/intake-report';
import { JobProgress } from '../jobs/job-progress';
import { send, useJob, type WatchedJob } from '../jobs/use-job';
import { ItsDates, WhereItLands, type AddOptions } from './add-options';
import { PreviewHead } from './preview-head';
import { ThingTree } from './thing-tree';
import { toggled } from '../marks/toggled';
import { everyStanding, sayChoice, treeRows } from './tree-model';
import styles from './add.module.css';

/** A package held against the shell: what it would bring, ticked by tree, where it lands, what becomes of its dates. */
export function PreviewStage({ id, code, view }: { id: string; code: string; view: PreviewView }) {
  const { preview } = view;
  const proposed = useMemo(
    () => new Set(preview.things.filter((t) => t.proposed).map((t) => t.key)),
    [preview],
  );
  const [chosen, setChosen] = useState<ReadonlySet<IncomingKey>>(proposed);
  const [shown, setShown] = useState<ReadonlySet<Standing>>(everyStanding);
  const [options, setOptions] = useState<AddOptions>({
    where: 'match',
    module: view.modules[0]?.ref ?? '',
    dating: 'keep',
  });
  const rows = useMemo(() => treeRows(preview, shown), [preview, shown]);
  const choice = useChoice(preview, chosen, options);
  const { again, adding, isBusy, putAway } = usePreviewJobs(id);
  const add = () => void adding.start(`/api/shells/${id}/add`, orderOf(view, chosen, options));
  return (
    <div className={styles.bench}>
      <div className={styles.left}>
        <PreviewHead
          id={id}
          code={code}
          view={view}
          heading={headingOf(view, proposed)}
          shown={shown}
          onShow={(standing) => setShown((now) => toggled(now, [standing]))}
          again={again}
          busy={isBusy}
        />
        {rows.length ? (
          <ThingTree
            label="What the package brings"
            rows={rows}
            chosen={chosen}
            needed={choice.needed}
            onToggle={(keys) => setChosen((now) => toggled(now, keys))}
          />
        ) : (
          <NothingShown isEmpty={preview.things.length === 0} />
        )}
      </div>
      <aside className={styles.right} aria-label="How it is added">
        <Chosen choice={choice} onChoose={setChosen} proposed={proposed} />
        <WhereItLands
          options={options}
          modules={view.modules}
          onChange={(change) => setOptions((now) => ({ ...now, ...change }))}
        />
        <ItsDates options={options} onChange={(change) => setOptions((now) => ({ ...now, ...change }))} />
        <JobProgress job={adding} label="Adding" />
        <AddButtons
          taken={choice.ticked.size + choice.needed.size}
          isBusy={isBusy}
          isStale={view.stale}
          onAdd={add}
          onPutAway={() => void putAway()}
        />
        <IntakeOfPackage groups={view.intake} />
      </aside>
    </div>
  );
}

/** What is ticked, with all that it needs. */
function useChoice(
  preview: PreviewView['preview'],
  chosen: ReadonlySet<IncomingKey>,
  { where }: AddOptions,
): Choice {
  const toOnePlace = where === 'in';
  return useMemo(() => chooseNamed(preview, [...chosen], [], { toOnePlace }), [preview, chosen, toOnePlace]);
}

interface AddButtonsProps {
  readonly taken: number;
  readonly isBusy: boolean;
  /** The shell changed since the package was held against it. */
  readonly isStale: boolean;
  readonly onAdd: () => void;
  readonly onPutAway: () => void;
}

function AddButtons({ taken, isBusy, isStale, onAdd, onPutAway }: AddButtonsProps) {
  return (
    <>
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={isBusy || isStale || taken === 0} onClick={onAdd}>
          Add {plural(taken, 'thing')}
        </Button>
        <Button color="inherit" variant="outlined" disabled={isBusy} onClick={onPutAway}>
          Put it away
        </Button>
      </div>
      <p className="soft" style={{ margin: 0, fontSize: '0.85rem' }}>
        A restore point is made first; the whole adding can be taken back.
      </p>
    </>
  );
}

function NothingShown({ isEmpty }: { isEmpty: boolean }) {
  return (
    <p style={{ padding: '0 22px' }}>
      {isEmpty ? 'There is nothing in this package.' : 'The filter above hides everything.'}
    </p>
  );
}

function IntakeOfPackage({ groups }: { groups: PreviewView['intake'] }) {
  const notes = groups.reduce((sum, { count }) => sum + count, 0);
  return (
    <details>
      <summary>Intake report of this package ({notes})</summary>
      <IntakeReport groups={groups} />
    </details>
  );
}

/** Holding the package against the shell again, adding what was chosen, and putting the package away. */
function usePreviewJobs(id: string) {
  const router = useRouter();
  const again = useJob(() => router.refresh());
  const adding = useJob(
    () => {
      router.push(`/shells/${id}/carry-out`);
      // The frame around the page counts anew.
      router.refresh();
    },
    { shellId: id, kind: 'add' },
  );
  const isBusy = isUnderWay(again) || isUnderWay(adding) || adding.view?.state === 'done';
  const putAway = async () => {
    await send(`/api/shells/${id}/incoming`, {}, 'DELETE');
    router.refresh();
  };
  return { again, adding, isBusy, putAway };
}

const isUnderWay = ({ view }: WatchedJob): boolean => view?.state === 'waiting' || view?.state === 'running';

function headingOf({ preview }: PreviewView, proposed: ReadonlySet<IncomingKey>): string {
  const n = preview.counts.new;
  if (n === 0) return 'Nothing in this package is new';
  if (proposed.size === 0) return 'Nothing of this package is proposed';
  return `${plural(n, 'thing')} ${n === 1 ? 'is' : 'are'} new; proposed: ${sayChoice(proposed)}`;
}

/** What the server is asked to add. */
function orderOf(view: PreviewView, chosen: ReadonlySet<IncomingKey>, options: AddOptions) {
  const { where, module, dating } = options;
  const landing = where === 'in' ? { where, ref: module } : { where };
  return { incoming: view.id, chosen: [...chosen], landing, dating: { mode: dating } };
}

interface ChosenProps {
  readonly choice: Choice;
  readonly proposed: ReadonlySet<IncomingKey>;
  readonly onChoose: (keys: ReadonlySet<IncomingKey>) => void;
}

function Chosen({ choice, proposed, onChoose }: ChosenProps) {
  const isOne = choice.needed.size === 1;
  return (
    <section>
      <h2>Chosen</h2>
      <p className="number" role="status" style={{ margin: 0 }}>
        {sayChoice([...choice.ticked, ...choice.needed.keys()])}
      </p>
      {choice.needed.size > 0 && (
        <p className="soft" style={{ margin: '4px 0 0' }}>
          {sayChoice(choice.needed.keys())} of them {isOne ? 'comes' : 'come'} along, since what you ticked
          needs {isOne ? 'it' : 'them'}.
        </p>
      )}
      <div style={{ display: 'flex', gap: 8, marginTop: 8, flexWrap: 'wrap' }}>
        <Button size="small" onClick={() => onChoose(proposed)}>
          As proposed
        </Button>
        <Button size="small" color="inherit" onClick={() => onChoose(new Set())}>
          Nothing
        </Button>
      </div>
    </section>
  );
}

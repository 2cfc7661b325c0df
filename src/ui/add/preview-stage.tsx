'use client';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { standings, standingTitles, type IncomingKey, type Standing } from '@/core/add/incoming';
import { closeChoice } from '@/core/add/needs';
import { plural } from '@/core/text/plural';
import { spellDate, type LocalDate } from '@/core/time/local-date';
import type { PreviewView } from '@/services/add/preview-view';
import { IdentityAlarm } from '../bring-in/identity-alarm';
import { IntakeReport } from '../bring-in/intake-report';
import { JobProgress } from '../jobs/job-progress';
import { FilterChip } from '../marks/filter-chip';
import { send, useJob } from '../jobs/use-job';
import { ThingTree } from './thing-tree';
import { everyStanding, sayChoice, toggle, treeRows } from './tree-model';
import styles from './add.module.css';

type Where = 'matching' | 'end' | 'module';
type Dating = 'keep' | 'shift' | 'clear';

/** A package held against the shell: what it would bring, ticked by tree, where it lands, what becomes of its dates. */
export function PreviewStage({ id, code, view }: { id: string; code: string; view: PreviewView }) {
  const router = useRouter();
  const { preview } = view;
  const proposed = useMemo(
    () => new Set(preview.things.filter((t) => t.proposed).map((t) => t.key)),
    [preview],
  );
  const [chosen, setChosen] = useState<ReadonlySet<IncomingKey>>(proposed);
  const [shown, setShown] = useState<ReadonlySet<Standing>>(everyStanding);
  const [where, setWhere] = useState<Where>('matching');
  const [module, setModule] = useState(view.modules[0]?.ref ?? '');
  const [dating, setDating] = useState<Dating>('keep');
  const rows = useMemo(() => treeRows(preview, shown), [preview, shown]);
  const choice = useMemo(() => closeChoice(preview, chosen), [preview, chosen]);
  const adding = useJob(
    () => {
      router.push(`/shells/${id}/carry-out`);
      // The frame around the page counts anew.
      router.refresh();
    },
    { shellId: id, kind: 'add' },
  );
  const again = useJob(() => router.refresh());
  const busy = [adding, again].some(
    (j) =>
      j.view?.state === 'waiting' ||
      j.view?.state === 'running' ||
      (j === adding && j.view?.state === 'done'),
  );
  const drop = async () => {
    await send(`/api/shells/${id}/incoming`, {}, 'DELETE');
    router.refresh();
  };
  const add = () =>
    void adding.start(`/api/shells/${id}/add`, {
      incoming: view.id,
      chosen: [...chosen],
      landing: where === 'module' ? { where, ref: module } : { where },
      dating,
    });
  const nothingNew = preview.counts.new === 0;
  const headingWords = () => {
    if (nothingNew) return 'Nothing in this package is new';
    if (proposed.size === 0) return 'Nothing of this package is proposed';
    const n = preview.counts.new;
    return `${plural(n, 'thing')} ${n === 1 ? 'is' : 'are'} new; proposed: ${sayChoice(proposed)}`;
  };
  return (
    <div className={styles.bench}>
      <div className={styles.left}>
        <div className={styles.head}>
          <h1>{headingWords()}</h1>
          <p className="soft" style={{ margin: '2px 0 0' }}>
            “{view.packageName}”{view.title && `, ${view.title},`} held against {code || 'this shell'}.
            Nothing has been changed yet. <Link href={`/shells/${id}/bring-in`}>Back to the inventory</Link>
          </p>
          {view.doubts.length > 0 && (
            <IdentityAlarm question="Is this the right package?">
              It goes by {view.doubts.map((d) => `“${d.says}”`).join(', ')}, and this shell is {code}.
            </IdentityAlarm>
          )}
          {view.earlier && (
            <Alert severity="warning" role="alert" sx={{ mt: 1 }}>
              {view.earlier.runId === null
                ? 'This shell was read from this very package.'
                : `This very package was added on ${spellDate(view.earlier.at.slice(0, 10) as LocalDate)}.`}{' '}
              Only what is new can be added from it.{' '}
              {view.earlier.runId !== null && (
                <Link href={`/shells/${id}/carry-out#run-${view.earlier.runId}`}>See what that did</Link>
              )}
            </Alert>
          )}
          {view.stale && (
            <Alert
              severity="info"
              sx={{ mt: 1 }}
              action={
                <Button
                  size="small"
                  disabled={busy}
                  onClick={() => void again.start(`/api/shells/${id}/incoming/again`)}
                >
                  Hold it against the shell again
                </Button>
              }
            >
              The shell changed since.
            </Alert>
          )}
          <JobProgress job={again} label="Holding it against the shell" />
          <div className={styles.filters} role="group" aria-label="Show">
            {standings.map((s) => (
              <FilterChip
                key={s}
                pressed={shown.has(s)}
                onClick={() =>
                  setShown((now) => {
                    const next = new Set(now);
                    if (next.has(s)) next.delete(s);
                    else next.add(s);
                    return next;
                  })
                }
              >
                {standingTitles[s]} <span className="number soft">{preview.counts[s]}</span>
              </FilterChip>
            ))}
          </div>
        </div>
        {rows.length ? (
          <ThingTree
            label="What the package brings"
            rows={rows}
            chosen={chosen}
            along={choice.along}
            onToggle={(keys) => setChosen((now) => toggle(keys, now))}
          />
        ) : (
          <p style={{ padding: '0 22px' }}>
            {preview.things.length
              ? 'The filter above hides everything.'
              : 'There is nothing in this package.'}
          </p>
        )}
      </div>
      <aside className={styles.right} aria-label="How it is added">
        <section>
          <h2>Chosen</h2>
          <p className="number" role="status" style={{ margin: 0 }}>
            {sayChoice(choice.taken)}
          </p>
          {choice.along.size > 0 && (
            <p className="soft" style={{ margin: '4px 0 0' }}>
              {sayChoice(choice.along.keys())} of them {choice.along.size === 1 ? 'comes' : 'come'} along,
              since what you ticked needs {choice.along.size === 1 ? 'it' : 'them'}.
            </p>
          )}
          <div style={{ display: 'flex', gap: 8, marginTop: 8, flexWrap: 'wrap' }}>
            <Button size="small" onClick={() => setChosen(proposed)}>
              As proposed
            </Button>
            <Button size="small" color="inherit" onClick={() => setChosen(new Set())}>
              Nothing
            </Button>
          </div>
        </section>
        <section>
          <h2 id="where">Where it lands</h2>
          <RadioGroup
            aria-labelledby="where"
            value={where}
            onChange={(event) => setWhere(event.target.value as Where)}
          >
            <FormControlLabel
              value="matching"
              control={<Radio size="small" />}
              label="In the matching module, by name or number; else at the end"
            />
            <FormControlLabel value="end" control={<Radio size="small" />} label="At the end" />
            <FormControlLabel
              value="module"
              control={<Radio size="small" />}
              disabled={!view.modules.length}
              label="In one module"
            />
          </RadioGroup>
          {where === 'module' && (
            <TextField
              select
              size="small"
              label="Module"
              value={module}
              onChange={(event) => setModule(event.target.value)}
              fullWidth
            >
              {view.modules.map((m) => (
                <MenuItem key={m.ref} value={m.ref}>
                  {m.title}
                </MenuItem>
              ))}
            </TextField>
          )}
        </section>
        <section>
          <h2 id="dates">Its dates</h2>
          <RadioGroup
            aria-labelledby="dates"
            value={dating}
            onChange={(event) => setDating(event.target.value as Dating)}
          >
            <FormControlLabel value="keep" control={<Radio size="small" />} label="Stay as they are" />
            <FormControlLabel
              value="shift"
              control={<Radio size="small" />}
              label="Same week and weekday of this term"
            />
            <FormControlLabel value="clear" control={<Radio size="small" />} label="Are taken away" />
          </RadioGroup>
          <p className="soft" style={{ margin: 0, fontSize: '0.85rem' }}>
            This is about items; events come as they are.
          </p>
        </section>
        <JobProgress job={adding} label="Adding" />
        <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
          <Button variant="contained" disabled={busy || view.stale || choice.taken.size === 0} onClick={add}>
            Add {plural(choice.taken.size, 'thing')}
          </Button>
          <Button color="inherit" variant="outlined" disabled={busy} onClick={() => void drop()}>
            Put it away
          </Button>
        </div>
        <p className="soft" style={{ margin: 0, fontSize: '0.85rem' }}>
          A restore point is made first; the whole adding can be taken back.
        </p>
        <details>
          <summary>Intake report of this package ({view.intake.length})</summary>
          <IntakeReport notes={view.intake} />
        </details>
      </aside>
    </div>
  );
}

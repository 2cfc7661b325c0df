'use client';
import Alert from '@mui/material/Alert';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState, type FormEvent } from 'react';
import type { ResetArea } from '@/core/plan/areas/areas';
import { plural } from '@/core/text/plural';
import type { NamedThing } from '@/services/do/drafts/draft-reset';
import type { KeepChoice, ResetStart } from '@/services/show/decide/reset-start';
import { toggled } from '../marks/toggled';
import { AreaTable } from './area-table';
import { areaTitles } from './area-titles';
import { useReset, type ResetState } from './use-reset';
import { drawnFrom } from '../stage/drawn-stage';
import styles from './reset.module.css';

/** Empties a shell by area: counts first, exceptions, then armed by its code; the plan does it. */
function ResetStage({ view: start }: { view: ResetStart }) {
  const [areas, setAreas] = useState<ReadonlySet<string>>(new Set(start.usual));
  const [kept, setKept] = useState<readonly KeepChoice[]>([]);
  const chosen = start.counts.filter(({ area }) => areas.has(area)).map(({ area }) => area);
  const reset = useReset(start.id, { areas: chosen, keep: kept.map(({ ref }) => ref) });
  const { preview } = reset;
  return (
    <div className={styles.page}>
      <div>
        <h1>
          Reset{' '}
          <span className="soft number">{preview ? `${plural(preview.going, 'thing')} would go` : '…'}</span>
        </h1>
        <p className="soft" style={{ margin: '4px 0 0' }}>
          People, sections, the term and the shell’s own name stay. It is rehearsed like any plan, and can be
          taken back. <Link href={`/shells/${start.id}/carry-out`}>Back to the runs</Link>
        </p>
      </div>
      {!start.isCombed && (
        <Alert severity="info">
          <Link href={`/shells/${start.id}/comb`}>Comb the shell</Link> first; what is rehearsed is held
          against its findings.
        </Alert>
      )}
      {start.planSize > 0 && (
        <Alert severity="info">
          {plural(start.planSize, 'change')} in the plan would be carried out together with the reset.
        </Alert>
      )}
      <div className={styles.columns}>
        <AreaTable
          counts={start.counts}
          chosen={new Set(chosen)}
          preview={preview}
          onToggle={(area) => setAreas((now) => toggled(now, [area]))}
        />
        <div className={styles.side}>
          <Exceptions choices={start.choices} areas={chosen} kept={kept} onKept={setKept} />
          {preview && preview.needed.length > 0 && (
            <Things
              title={`${plural(preview.needed.length, 'thing')} stay since these need them`}
              things={preview.needed}
            />
          )}
          {preview && preview.left.length > 0 && (
            <Things
              title={`${plural(preview.left.length, 'thing')} would not go`}
              things={preview.left.map(({ ref, title, why }) => ({ ref, title: `${title}: ${why}` }))}
            />
          )}
          {preview && preview.work.length > 0 && (
            <Things
              title={`${plural(preview.work.length, 'thing')} with student work would go for good`}
              things={preview.work}
            />
          )}
          <Arming start={start} reset={reset} />
        </div>
      </div>
    </div>
  );
}

interface ExceptionsProps {
  readonly choices: readonly KeepChoice[];
  readonly areas: readonly ResetArea[];
  readonly kept: readonly KeepChoice[];
  readonly onKept: (kept: readonly KeepChoice[]) => void;
}

const firstMatches = createFilterOptions<KeepChoice>({
  limit: 60,
  stringify: ({ title, place }) => `${title} ${place}`,
});

/** What of the chosen areas stays all the same. */
function Exceptions({ choices, areas, kept, onKept }: ExceptionsProps) {
  const options = useMemo(() => choices.filter(({ area }) => areas.includes(area)), [choices, areas]);
  return (
    <Autocomplete
      multiple
      size="small"
      options={options}
      value={[...kept]}
      onChange={(_, next) => onKept(next)}
      filterOptions={firstMatches}
      filterSelectedOptions
      groupBy={({ area }) => areaTitles[area]}
      getOptionLabel={({ title }) => title}
      getOptionKey={({ ref }) => ref}
      isOptionEqualToValue={(one, other) => one.ref === other.ref}
      renderOption={({ key, ...option }, { title, place }) => (
        <li key={key} {...option}>
          <span>
            {title} <span className="soft">{place}</span>
          </span>
        </li>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Exceptions to keep"
          helperText="A module is kept with all that is in it."
        />
      )}
    />
  );
}

/** So many names are said; the others are counted. */
const mostNamed = 6;

function Things({ title, things }: { title: string; things: readonly NamedThing[] }) {
  return (
    <section className={styles.things}>
      <h2>{title}</h2>
      <ul>
        {things.slice(0, mostNamed).map(({ ref, title: name }) => (
          <li key={ref}>{name}</li>
        ))}
        {things.length > mostNamed && <li className="soft">and {things.length - mostNamed} more</li>}
      </ul>
    </section>
  );
}

/** The code of the shell, and the number of things with student work: both typed, the reset goes into the plan. */
function Arming({ start, reset }: { start: ResetStart; reset: ResetState }) {
  const router = useRouter();
  const [code, setCode] = useState('');
  const [number, setNumber] = useState('');
  const work = reset.preview?.work.length ?? 0;
  const going = reset.preview?.going ?? 0;
  const isArmed = code.trim() === start.code && (work === 0 || Number(number) === work);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (isArmed && (await reset.take(code, work))) router.push(`/shells/${start.id}/rehearse`);
  };
  return (
    <form className={styles.arm} onSubmit={(event) => void submit(event)}>
      <TextField
        size="small"
        label={`Type ${start.code} to arm it`}
        value={code}
        onChange={(event) => setCode(event.target.value)}
      />
      {work > 0 && (
        <TextField
          size="small"
          label={`Type ${work}, the things with student work`}
          value={number}
          onChange={(event) => setNumber(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
      )}
      <Button type="submit" variant="contained" disabled={!isArmed || going === 0 || !start.isCombed}>
        Rehearse the reset of {going.toLocaleString('en')}
      </Button>
      {reset.trouble !== null && (
        <Alert severity="error" role="alert">
          {reset.trouble}
        </Alert>
      )}
    </form>
  );
}

/** It asks for its view by itself. */
export const DrawnResetStage = drawnFrom(ResetStage);

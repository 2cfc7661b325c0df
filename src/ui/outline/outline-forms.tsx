'use client';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { Gesture } from '@/core/outline/gesture';
import { wrapInModule } from '@/core/outline/module-gestures';
import { moveBeside, type Side } from '@/core/outline/move-gestures';
import { renameByPattern, replaceInTitles } from '@/core/outline/rename-pattern';
import type { Item, Shell } from '@/core/shell/model';
import styles from './outline.module.css';

interface FormProps {
  readonly shell: Shell;
  readonly refs: ReadonlySet<string>;
  readonly onRun: (words: string, gesture: Gesture) => void;
  readonly onDone: () => void;
}

/** The form of a gesture: Enter does it, and it closes. */
function GestureForm({
  words,
  gesture,
  onRun,
  onDone,
  children,
}: Pick<FormProps, 'onRun' | 'onDone'> & { words: string; gesture: Gesture; children: React.ReactNode }) {
  return (
    <form
      className={styles.toolForm}
      onSubmit={(event) => {
        event.preventDefault();
        if (gesture.length === 0) return;
        onRun(words, gesture);
        onDone();
      }}
    >
      {children}
      <div className={styles.buttons}>
        <Button size="small" type="submit" variant="contained" disabled={gesture.length === 0}>
          {words}
        </Button>
        <Button size="small" onClick={onDone}>
          Close
        </Button>
      </div>
    </form>
  );
}

const most = 60;

/** Before or after a named neighbour, or into a named module. */
export function BesideForm({ shell, refs, onRun, onDone }: FormProps) {
  const [goal, setGoal] = useState<Item | null>(null);
  const [side, setSide] = useState<Side>('before');
  const [words, setWords] = useState('');
  const options = useMemo(() => {
    const wanted = words.toLowerCase();
    return shell.items
      .filter((item) => item.placed && !refs.has(item.ref) && item.title.toLowerCase().includes(wanted))
      .slice(0, most);
  }, [shell, refs, words]);
  const gesture = goal ? moveBeside(shell, refs, goal.ref, side) : [];
  return (
    <GestureForm words={`Move ${refs.size}`} gesture={gesture} onRun={onRun} onDone={onDone}>
      <TextField
        select
        size="small"
        label="Where"
        value={side}
        onChange={(event) => setSide(event.target.value as Side)}
      >
        <MenuItem value="before">before</MenuItem>
        <MenuItem value="after">after</MenuItem>
        <MenuItem value="inside">into the module</MenuItem>
      </TextField>
      <Autocomplete
        size="small"
        options={options}
        filterOptions={(list) => list}
        getOptionLabel={(item) => item.title}
        getOptionKey={(item) => item.ref}
        isOptionEqualToValue={(a, b) => a.ref === b.ref}
        value={goal}
        onChange={(_, item) => setGoal(item)}
        onInputChange={(_, text) => setWords(text)}
        renderInput={(params) => <TextField {...params} label="Which item" autoFocus />}
      />
    </GestureForm>
  );
}

export function WrapForm({ shell, refs, onRun, onDone }: FormProps) {
  const [title, setTitle] = useState('');
  return (
    <GestureForm
      words={`Wrap ${refs.size}`}
      gesture={wrapInModule(shell, refs, title)}
      onRun={onRun}
      onDone={onDone}
    >
      <TextField
        size="small"
        label="The module’s title"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        autoFocus
      />
    </GestureForm>
  );
}

/** Titles by a pattern or by other words, shown before they are taken. */
export function PatternForm({ shell, refs, onRun, onDone }: FormProps) {
  const only = refs.size === 1 ? shell.items.find((item) => refs.has(item.ref)) : undefined;
  const [pattern, setPattern] = useState(only?.title ?? '{title}');
  const [find, setFind] = useState('');
  const [by, setBy] = useState('');
  const gesture =
    find === '' ? renameByPattern(shell, refs, pattern) : replaceInTitles(shell, refs, find, by);
  const titles = (gesture[0]?.params['titles'] ?? {}) as Readonly<Record<string, string>>;
  const changed = Object.entries(titles);
  return (
    <GestureForm words={`Rename ${changed.length}`} gesture={gesture} onRun={onRun} onDone={onDone}>
      <TextField
        size="small"
        label={only ? 'New title' : 'Pattern'}
        helperText={only ? '' : '{title} {rest} {number} {n} stand for what each title has'}
        value={pattern}
        onChange={(event) => setPattern(event.target.value)}
        disabled={find !== ''}
        autoFocus
      />
      {!only && (
        <div className={styles.pair}>
          <TextField
            size="small"
            label="Or find"
            value={find}
            onChange={(event) => setFind(event.target.value)}
          />
          <TextField
            size="small"
            label="put instead"
            value={by}
            onChange={(event) => setBy(event.target.value)}
          />
        </div>
      )}
      <ul className={styles.previewList} aria-label="New titles">
        {changed.slice(0, 5).map(([ref, title]) => (
          <li key={ref}>
            <span className="soft">{shell.items.find((item) => item.ref === ref)?.title}</span> → {title}
          </li>
        ))}
      </ul>
    </GestureForm>
  );
}

'use client';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { useState } from 'react';
import type { SavedView } from '@/services/do/decide/saved-views';
import { send } from '../jobs/use-job';
import { NameForm } from '../parts/name-form';
import { readFilter, writeFilter, type Filter } from './filter';
import styles from './decide.module.css';

interface SavedViewsProps {
  readonly filter: Filter;
  readonly first: readonly SavedView[];
  readonly onTake: (filter: Filter) => void;
}

/** Views of the list under a name: taken, kept and dropped. The same ones serve every shell. */
export function SavedViews({ filter, first, onTake }: SavedViewsProps) {
  const [views, setViews] = useState(first);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [trouble, setTrouble] = useState('');
  const edit = async (body: unknown) => {
    const result = await send<readonly SavedView[]>('/api/views', body);
    setTrouble(result.ok ? '' : result.trouble);
    if (result.ok) setViews(result.value);
    return result.ok;
  };
  const take = ({ query }: SavedView) => {
    setAnchor(null);
    onTake(readFilter(new URLSearchParams(query)));
  };
  return (
    <>
      <Button
        size="small"
        color="inherit"
        aria-haspopup="dialog"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Views{views.length > 0 && ` (${views.length})`}
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Saved views', className: styles.views } }}
      >
        {views.length === 0 && <p className="soft">No view is saved yet.</p>}
        <ul>
          {views.map((view) => (
            <li key={view.name}>
              <Button size="small" color="inherit" onClick={() => take(view)}>
                {view.name}
              </Button>
              <Button
                size="small"
                color="inherit"
                aria-label={`Drop the view ${view.name}`}
                onClick={() => void edit({ edit: 'drop', name: view.name })}
              >
                Drop
              </Button>
            </li>
          ))}
        </ul>
        <NameForm
          label="Save this view as"
          button="Save"
          trouble={trouble}
          onName={(name) => edit({ edit: 'save', view: { name, query: writeFilter(filter) } })}
        />
      </Popover>
    </>
  );
}

'use client';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { sayEffect } from './check-settings';
import styles from './house-rules.module.css';
import type { LiveEffect } from './use-live-effect';

export interface TrialShell {
  readonly id: string;
  readonly name: string;
}

/** On which shell the rules are tried, and what they would change there in all. */
export function LiveEffectLine({
  shells,
  shell,
  onShell,
  live,
}: {
  shells: readonly TrialShell[];
  shell: string | null;
  onShell: (id: string) => void;
  live: LiveEffect;
}) {
  if (!shells.length)
    return <p className="soft">Bring in a shell, and you see here what a change would do to its findings.</p>;
  const total = { come: 0, go: 0, reranked: 0 };
  for (const e of live.effects?.values() ?? []) {
    total.come += e.come;
    total.go += e.go;
    total.reranked += e.reranked;
  }
  return (
    <div className={styles.live}>
      <TextField
        select
        size="small"
        label="Try on"
        value={shell ?? ''}
        onChange={(e) => onShell(e.target.value)}
        sx={{ minWidth: 240 }}
      >
        {shells.map((s) => (
          <MenuItem key={s.id} value={s.id}>
            {s.name}
          </MenuItem>
        ))}
      </TextField>
      <span role="status" data-testid="live-effect">
        {live.trouble ?? (live.trying ? 'Trying …' : `These rules ${sayEffect(total)}.`)}
      </span>
    </div>
  );
}

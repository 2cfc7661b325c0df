'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Table from '@mui/material/Table';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TableSortLabel from '@mui/material/TableSortLabel';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useSnackbar } from 'notistack';
import { useMemo, useState } from 'react';
import { compareText } from '@/core/compare-text';
import { plural } from '@/core/text/plural';
import type { ShellLine } from '@/services/shells/shell-list';
import { send } from '../jobs/use-job';
import { RemoveShell } from './remove-shell';
import { ShellRow } from './shell-row';
import styles from './shells.module.css';

type SortKey = 'code' | 'title' | 'term' | 'things' | 'percent' | 'openTotal' | 'combedAt' | 'runAt';
const columns: readonly { key: SortKey; label: string; numeric?: boolean }[] = [
  { key: 'code', label: 'Shell' },
  { key: 'title', label: 'Title' },
  { key: 'term', label: 'Term' },
  { key: 'things', label: 'Size', numeric: true },
  { key: 'percent', label: 'Smooth', numeric: true },
  { key: 'openTotal', label: 'Open findings', numeric: true },
  { key: 'combedAt', label: 'Combed' },
  { key: 'runAt', label: 'Last run' },
];

/** Every shell, to be sorted, filtered, and combed several at once. */
export function ShellTable({ shells }: { shells: readonly ShellLine[] }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [sort, setSort] = useState<{ key: SortKey; down: boolean }>({ key: 'code', down: false });
  const [filter, setFilter] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const [removing, setRemoving] = useState<ShellLine | null>(null);
  const shown = useMemo(() => {
    const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
    const rows = shells.filter((s) =>
      words.every((w) => `${s.code} ${s.title} ${s.term}`.toLowerCase().includes(w)),
    );
    const value = (s: ShellLine) => s[sort.key] ?? '';
    return [...rows].sort((a, b) => {
      const [x, y] = [value(a), value(b)];
      const isNumeric = typeof x === 'number' && typeof y === 'number';
      const order = isNumeric ? x - y : compareText(String(x), String(y));
      return sort.down ? -order : order;
    });
  }, [shells, filter, sort]);
  const toggle = (id: string) =>
    setChosen((now) => {
      const next = new Set(now);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const comb = async () => {
    setBusy(true);
    const started = await Promise.all(
      [...chosen].map((id) => send<{ jobId: string }>(`/api/shells/${id}/comb`)),
    );
    for (const job of started) {
      if (!job.ok) enqueueSnackbar(job.trouble, { variant: 'error' });
      else await ended(job.value.jobId);
    }
    setBusy(false);
    setChosen(new Set());
    router.refresh();
  };
  const direction = sort.down ? 'desc' : 'asc';
  const all = shown.length > 0 && shown.every((s) => chosen.has(s.id));
  return (
    <>
      <div style={{ display: 'flex', gap: 12, alignItems: 'center', margin: '14px 0' }}>
        <TextField
          size="small"
          label="Filter by code, title or term"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
          sx={{ width: 300 }}
        />
        <Button variant="outlined" disabled={chosen.size === 0 || busy} onClick={() => void comb()}>
          {busy ? 'Combing …' : `Comb ${plural(chosen.size, 'shell')}`}
        </Button>
        <span className="soft number" role="status">
          {shown.length === shells.length
            ? plural(shells.length, 'shell')
            : `${shown.length} of ${plural(shells.length, 'shell')}`}
        </span>
      </div>
      <div
        style={{
          background: 'var(--sheet)',
          border: '1px solid var(--line)',
          borderRadius: 8,
          overflowX: 'auto',
        }}
        tabIndex={0}
        role="region"
        aria-label="Shells"
      >
        <Table size="small" className={styles.table}>
          <TableHead>
            <TableRow>
              <TableCell padding="checkbox">
                <Checkbox
                  size="small"
                  checked={all}
                  indeterminate={!all && chosen.size > 0}
                  onChange={() => setChosen(all ? new Set() : new Set(shown.map((s) => s.id)))}
                  slotProps={{ input: { 'aria-label': 'Choose all shells shown' } }}
                />
              </TableCell>
              {columns.map((c) => (
                <TableCell
                  key={c.key}
                  align={c.numeric ? 'right' : 'left'}
                  sortDirection={sort.key === c.key ? direction : false}
                >
                  <TableSortLabel
                    active={sort.key === c.key}
                    direction={sort.key === c.key && sort.down ? 'desc' : 'asc'}
                    onClick={() => setSort({ key: c.key, down: sort.key === c.key && !sort.down })}
                  >
                    {c.label}
                  </TableSortLabel>
                </TableCell>
              ))}
              <TableCell>
                <span className="unseen">Remove</span>
              </TableCell>
            </TableRow>
          </TableHead>
          <tbody>
            {shown.map((shell) => (
              <ShellRow
                key={shell.id}
                shell={shell}
                isChosen={chosen.has(shell.id)}
                onToggle={() => toggle(shell.id)}
                onRemove={() => setRemoving(shell)}
              />
            ))}
          </tbody>
        </Table>
      </div>
      {removing && <RemoveShell shell={removing} onClose={() => setRemoving(null)} />}
    </>
  );
}

async function ended(jobId: string): Promise<void> {
  for (;;) {
    const job = await send<{ state: string }>(`/api/jobs/${jobId}`, undefined, 'GET');
    if (!job.ok || (job.value.state !== 'waiting' && job.value.state !== 'running')) return;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
}

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
import { jobEnded } from '../jobs/job-ended';
import { send } from '../jobs/use-job';
import { RemoveDemo } from './demo-shells';
import { toggled } from '../marks/toggled';
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

interface Sort {
  readonly key: SortKey;
  readonly down: boolean;
}

/** Every shell, to be sorted, filtered, and combed several at once. */
export function ShellTable({ shells }: { shells: readonly ShellLine[] }) {
  const router = useRouter();
  const { enqueueSnackbar } = useSnackbar();
  const [sort, setSort] = useState<Sort>({ key: 'code', down: false });
  const [filter, setFilter] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [isCombing, setCombing] = useState(false);
  const [removing, setRemoving] = useState<ShellLine | null>(null);
  const demos = shells.filter((shell) => shell.isDemo).length;
  const shown = useMemo(() => sorted(filtered(shells, filter), sort), [shells, filter, sort]);
  const comb = async () => {
    setCombing(true);
    const started = await Promise.all(
      [...chosen].map((id) => send<{ jobId: string }>(`/api/shells/${id}/comb`)),
    );
    for (const job of started) {
      const trouble = job.ok ? await jobEnded(job.value.jobId) : job.trouble;
      if (trouble !== null) enqueueSnackbar(trouble, { variant: 'error' });
    }
    setCombing(false);
    setChosen(new Set());
    router.refresh();
  };
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
        <Button variant="outlined" disabled={chosen.size === 0 || isCombing} onClick={() => void comb()}>
          {isCombing ? 'Combing …' : `Comb ${plural(chosen.size, 'shell')}`}
        </Button>
        <span className="soft number" role="status">
          {shown.length < shells.length && `${shown.length} of `}
          {plural(shells.length, 'shell')}
        </span>
        <span style={{ flex: 1 }} />
        {demos > 0 && <RemoveDemo count={demos} />}
      </div>
      <div className={styles.box} tabIndex={0} role="region" aria-label="Shells">
        <Table size="small" className={styles.table}>
          <ShellHead shown={shown} chosen={chosen} onChoose={setChosen} sort={sort} onSort={setSort} />
          <tbody>
            {shown.map((shell) => (
              <ShellRow
                key={shell.id}
                shell={shell}
                isChosen={chosen.has(shell.id)}
                onToggle={() => setChosen((now) => toggled(now, [shell.id]))}
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

/** The shells whose code, title or term has all the words. */
function filtered(shells: readonly ShellLine[], filter: string): readonly ShellLine[] {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  return shells.filter((s) =>
    words.every((word) => `${s.code} ${s.title} ${s.term}`.toLowerCase().includes(word)),
  );
}

function sorted(shells: readonly ShellLine[], { key, down }: Sort): readonly ShellLine[] {
  const order = [...shells].sort((a, b) => compareValues(a[key] ?? '', b[key] ?? ''));
  return down ? order.reverse() : order;
}

const compareValues = (a: string | number, b: string | number): number =>
  typeof a === 'number' && typeof b === 'number' ? a - b : compareText(String(a), String(b));

interface ShellHeadProps {
  readonly shown: readonly ShellLine[];
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (ids: ReadonlySet<string>) => void;
  readonly sort: Sort;
  readonly onSort: (sort: Sort) => void;
}

function ShellHead({ shown, chosen, onChoose, sort, onSort }: ShellHeadProps) {
  const isAll = shown.length > 0 && shown.every((s) => chosen.has(s.id));
  const direction = sort.down ? 'desc' : 'asc';
  return (
    <TableHead>
      <TableRow>
        <TableCell padding="checkbox">
          <Checkbox
            size="small"
            checked={isAll}
            indeterminate={!isAll && chosen.size > 0}
            onChange={() => onChoose(isAll ? new Set() : new Set(shown.map((s) => s.id)))}
            slotProps={{ input: { 'aria-label': 'Choose all shells shown' } }}
          />
        </TableCell>
        {columns.map(({ key, label, numeric }) => (
          <TableCell
            key={key}
            align={numeric ? 'right' : 'left'}
            sortDirection={sort.key === key ? direction : false}
          >
            <TableSortLabel
              active={sort.key === key}
              direction={sort.key === key ? direction : 'asc'}
              onClick={() => onSort({ key, down: sort.key === key && !sort.down })}
            >
              {label}
            </TableSortLabel>
          </TableCell>
        ))}
        <TableCell>
          <span className="unseen">Remove</span>
        </TableCell>
      </TableRow>
    </TableHead>
  );
}

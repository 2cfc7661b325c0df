'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Table from '@mui/material/Table';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TableSortLabel from '@mui/material/TableSortLabel';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { compareText } from '@/core/compare-text';
import { plural } from '@/core/text/plural';
import type { RuleSet } from '@/services/do/rules/rule-sets';
import type { ShellLine } from '@/services/show/shells/shell-list';
import { RemoveDemo } from './demo-shells';
import { toggled } from '../marks/toggled';
import { ChosenActions } from '../many-shells/chosen-actions';
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

interface ShellTableProps {
  readonly shells: readonly ShellLine[];
  /** The departments whose house rules shells may go by. */
  readonly sets: readonly RuleSet[];
}

/** Every shell, to be sorted, filtered, and combed several at once. */
export function ShellTable({ shells, sets }: ShellTableProps) {
  const [sort, setSort] = useState<Sort>({ key: 'code', down: false });
  const [filter, setFilter] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [removing, setRemoving] = useState<ShellLine | null>(null);
  const demos = shells.filter((shell) => shell.isDemo).length;
  const [showsLaidBy, setShowsLaidBy] = useState(false);
  const laidBy = shells.filter((shell) => shell.laidByAt !== null).length;
  const listed = useMemo(
    () => shells.filter((shell) => (shell.laidByAt !== null) === showsLaidBy),
    [shells, showsLaidBy],
  );
  const shown = useMemo(() => sorted(filtered(listed, filter), sort), [listed, filter, sort]);
  const turnOver = () => {
    setShowsLaidBy(!showsLaidBy);
    setChosen(new Set());
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
        <span className="soft number" role="status">
          {shown.length < listed.length && `${shown.length} of `}
          {plural(listed.length, 'shell')}
          {showsLaidBy && ' laid by'}
        </span>
        <TurnOver laidBy={laidBy} showsLaidBy={showsLaidBy} onTurn={turnOver} />
        <span style={{ flex: 1 }} />
        {demos > 0 && <RemoveDemo count={demos} />}
      </div>
      <ChosenActions
        sets={sets}
        chosen={shown.filter((shell) => chosen.has(shell.id))}
        onDone={() => setChosen(new Set())}
      />
      <div className={styles.box} tabIndex={0} role="region" aria-label="Shells">
        <Table size="small" className={styles.table}>
          <ShellHead shown={shown} chosen={chosen} onChoose={setChosen} sort={sort} onSort={setSort} />
          <tbody>
            {shown.map((shell) => (
              <ShellRow
                key={shell.id}
                shell={shell}
                department={departmentOf(sets, shell)}
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

interface TurnOverProps {
  /** How many shells are laid by. */
  readonly laidBy: number;
  readonly showsLaidBy: boolean;
  readonly onTurn: () => void;
}

/** From the shells that are worked on to those that were laid by, and back; nothing where there are none. */
function TurnOver({ laidBy, showsLaidBy, onTurn }: TurnOverProps) {
  if (laidBy === 0 && !showsLaidBy) return null;
  return (
    <Button size="small" onClick={onTurn}>
      {showsLaidBy ? 'Back to those worked on' : `Laid by: ${laidBy}`}
    </Button>
  );
}

/** The department whose rules a shell goes by; null for those of the whole house. */
const departmentOf = (sets: readonly RuleSet[], { rulesId }: ShellLine): string | null =>
  rulesId === null ? null : (sets.find(({ id }) => id === rulesId)?.name ?? null);

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

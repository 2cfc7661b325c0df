'use client';
import { entryOf } from '@/core/entries';
import Button from '@mui/material/Button';
import Link from 'next/link';
import type { LedgerLine } from '@/services/keep/runs/ledger';
import { actionTitle } from '@/core/plan/action-title';
import { outcomeWords } from './outcome-words';
import { TitleLine } from './title-line';
import styles from '../rehearse/rehearse.module.css';

/** So many operations of a run are drawn; the ledger has them all. */
const mostLines = 400;

interface LedgerTableProps {
  readonly shellId: string;
  readonly lines: readonly LedgerLine[];
  readonly busy: boolean;
  /** Takes one operation back; null where the run is taken back already. */
  readonly onUndo: ((sequence: number) => void) | null;
}

/** What a run did, operation by operation. */
export function LedgerTable({ shellId, lines, busy, onUndo }: LedgerTableProps) {
  const others = lines.length - mostLines;
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">Time</th>
          <th scope="col">Operation</th>
          <th scope="col">Count</th>
          <th scope="col">On</th>
          <th scope="col">Outcome</th>
          <th scope="col">
            <span className="unseen">Take back</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.slice(0, mostLines).map((line) => (
          <LedgerRow key={`${line.direction} ${line.sequence}`} line={line} busy={busy} onUndo={onUndo} />
        ))}
        {others > 0 && (
          <tr>
            <td colSpan={6}>
              <Link href={`/shells/${shellId}/carry-out/ledger`}>and {others} more operations</Link>
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

function LedgerRow({
  line,
  busy,
  onUndo,
}: Pick<LedgerTableProps, 'busy' | 'onUndo'> & { readonly line: LedgerLine }) {
  const count = line.titles.length;
  return (
    <tr>
      <td className="number soft" style={{ whiteSpace: 'nowrap' }}>
        {new Date(line.at).toLocaleTimeString('en-GB')}
      </td>
      <td style={{ whiteSpace: 'nowrap' }}>
        {line.direction === 'undo' ? 'Taken back: ' : ''}
        {actionTitle(line.action)}
      </td>
      <td className="number">{count}</td>
      <td style={{ overflowWrap: 'anywhere' }}>
        <TitleLine titles={line.titles} shown={3}>
          {(title) => title}
        </TitleLine>
      </td>
      <td>
        {entryOf(outcomeWords, line.outcome) ?? line.outcome}
        {line.reason && <span className="soft">: {line.reason}</span>}
      </td>
      <td>
        {onUndo && line.undoable && (
          <Button size="small" disabled={busy} onClick={() => onUndo(line.sequence)}>
            Take back {count}
          </Button>
        )}
      </td>
    </tr>
  );
}

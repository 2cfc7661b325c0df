'use client';
import { entryOf } from '@/core/entries';
import type { IncomingKey, IncomingThing } from '@/core/add/incoming';
import type { LineAfter } from '@/core/add/outline-after';
import type { TakenDate } from '@/core/add/redate-taken';
import { SightMark } from '../marks/sight-mark';
import { useRowWindow } from '../parts/use-row-window';
import { rowHeight } from './source-list';
import { spellShortMoment } from './spell-short';
import styles from './bring-over.module.css';

interface TargetListProps {
  readonly lines: readonly LineAfter[];
  /** The line that the row on the left has become, or stands for. */
  readonly at: number;
  readonly things: ReadonlyMap<IncomingKey, IncomingThing>;
  readonly dates: Readonly<Record<string, readonly TakenDate[]>>;
  readonly isBeside: (key: IncomingKey) => boolean;
  readonly onDiffers: (key: IncomingKey, way: 'keep' | 'replace' | 'beside') => void;
}

/** The shell as it would become. */
export function TargetList({ lines, at, ...more }: TargetListProps) {
  const { box, windowed } = useRowWindow({ rows: lines.length, at: Math.max(0, at), rowHeight });
  return (
    <div
      ref={box}
      className={styles.list}
      tabIndex={0}
      role="region"
      aria-label="The shell as it would become"
      data-testid="target"
    >
      <div style={{ height: windowed.getTotalSize(), position: 'relative' }} role="list">
        {windowed.getVirtualItems().map(({ index, key, start }) => {
          const line = lines[index];
          if (!line) return null;
          return <TargetRow key={key} line={line} top={start} isCurrent={index === at} {...more} />;
        })}
      </div>
    </div>
  );
}

interface TargetRowProps extends Omit<TargetListProps, 'lines' | 'at'> {
  readonly line: LineAfter;
  readonly top: number;
  readonly isCurrent: boolean;
}

function TargetRow({ line, top, isCurrent, things, dates, isBeside, onDiffers }: TargetRowProps) {
  const thing = line.key === null ? undefined : things.get(line.key);
  const isOpen = line.is !== 'landed' && thing?.standing === 'differs' && thing.type === 'item';
  return (
    <div
      role="listitem"
      className={styles.after}
      data-is={isOpen && line.is === 'here' ? 'differs' : line.is}
      data-current={isCurrent}
      style={{ top, height: rowHeight, paddingLeft: 14 + line.depth * 20 }}
    >
      <span className={styles.mark}>
        <SightMark sight={line.hidden ? 'Hidden' : 'Shown'} />
      </span>
      <span className={line.kind === 'module' ? styles.module : styles.title}>{line.title}</span>
      <span className={styles.note}>
        {isOpen && thing ? (
          <Ways
            title={line.title}
            way={wayOf(line, isBeside(thing.key))}
            onWay={(way) => onDiffers(thing.key, way)}
          />
        ) : (
          line.is === 'landed' && (
            <NewDates rows={entryOf(dates, thing?.ref ?? '') ?? []} isHidden={line.hidden} />
          )
        )}
      </span>
    </div>
  );
}

function wayOf({ is }: LineAfter, isBeside: boolean): 'keep' | 'replace' | 'beside' {
  if (is === 'replaced') return 'replace';
  return isBeside ? 'beside' : 'keep';
}

const ways = [
  { way: 'keep', label: 'keep' },
  { way: 'replace', label: 'replace' },
  { way: 'beside', label: 'put beside' },
] as const;

interface WaysProps {
  readonly title: string;
  readonly way: 'keep' | 'replace' | 'beside';
  readonly onWay: (way: 'keep' | 'replace' | 'beside') => void;
}

/** What becomes of something that differs: the one here stays, gets what the source says, or both stand side by side. */
function Ways({ title, way: chosen, onWay }: WaysProps) {
  return (
    <span role="group" aria-label={`“${title}” differs`} className={styles.ways}>
      {ways.map(({ way, label }) => (
        <button key={way} type="button" aria-pressed={way === chosen} onClick={() => onWay(way)}>
          {label}
        </button>
      ))}
    </span>
  );
}

/** The day that a thing would have, beside the one that it has. */
function NewDates({ rows, isHidden }: { rows: readonly TakenDate[]; isHidden: boolean }) {
  const row = rows.find(({ field }) => field === 'due' || field === 'start') ?? rows[0];
  if (!row) return isHidden ? <span className="soft">hidden, as it was</span> : null;
  const isMoved = row.old !== row.new;
  return (
    <span className={styles.dates} data-warned={row.warnings.length > 0}>
      {isMoved && row.old !== null && <s className="soft">{spellShortMoment(row.old)}</s>}{' '}
      {row.new === null ? <span className="soft">no date</span> : <b>{spellShortMoment(row.new)}</b>}
      {row.warnings.length > 0 && (
        <span className={styles.warning}> {warningWords[row.warnings[0] ?? 'order']}</span>
      )}
    </span>
  );
}

const warningWords = {
  'no-class': 'no class',
  'after-term': 'after the term',
  'before-term': 'before the term',
  order: 'out of order',
  'in-break': 'in a break',
} as const;

import { entryOf } from '@/core/entries';
import type { IncomingKey } from '@/core/add/incoming';
import { plainNumber } from './plain-number';
import { kindNames } from '../bring-in/kind-names';
import { ChoiceBox } from '../marks/choice-box';
import type { KindCount } from './source-rows';
import styles from './bring-over.module.css';

const otherNames: Readonly<Record<string, string>> = {
  event: 'Events',
  file: 'Files',
  bank: 'Question banks',
  'grade-setup': 'Grade setup',
};

const nameOf = (kind: string): string => entryOf(otherNames, kind) ?? entryOf(kindNames, kind)?.[1] ?? kind;

interface KindChipsProps {
  readonly counts: readonly KindCount[];
  readonly onTake: (keys: readonly IncomingKey[], isTaken: boolean) => void;
}

/** The kinds of a source as ticks: one press takes all of a kind that is proposed, or leaves it out. */
export function KindChips({ counts, onTake }: KindChipsProps) {
  return (
    <>
      {counts.map(({ kind, total, taken, open }) => {
        const state = stateOf(taken, total);
        return (
          <button
            key={kind}
            type="button"
            role="checkbox"
            aria-checked={state === 'some' ? 'mixed' : state === 'all'}
            className={styles.kind}
            data-state={state}
            disabled={open.length === 0 && taken === 0}
            onClick={() => onTake(open, taken === 0)}
          >
            <ChoiceBox state={state} onToggle={() => onTake(open, taken === 0)} />
            {nameOf(kind)}&nbsp;
            <span className="number soft">
              {taken > 0 ? `${plainNumber(taken)} of ${plainNumber(total)}` : plainNumber(total)}
            </span>
          </button>
        );
      })}
    </>
  );
}

function stateOf(taken: number, total: number): 'none' | 'some' | 'all' {
  if (taken === 0) return 'none';
  return taken === total ? 'all' : 'some';
}

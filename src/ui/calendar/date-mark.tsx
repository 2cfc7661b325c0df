import type { CSSProperties } from 'react';
import type { CalendarMark } from '@/services/show/decide/calendar-view';
import { sayMark } from './calendar-model';
import styles from './calendar.module.css';

interface DateMarkProps {
  readonly mark: CalendarMark;
  readonly isChosen: boolean;
  readonly onToggle: () => void;
  readonly onSeries: () => void;
}

/**
 * One date: small and pale where nothing is wrong, tall and filled in its family’s colour where something is. An event
 * is a square, work that is due a lozenge, what closes a round; a ring says that it is chosen. The day’s cell says all
 * of it to those who hear the page.
 */
export function DateMark({ mark, isChosen, onToggle, onSeries }: DateMarkProps) {
  const colour = mark.finding === null ? 'var(--hair)' : `var(--${mark.finding.family})`;
  return (
    <span
      className={styles.mark}
      data-kind={mark.kind}
      data-wrong={mark.finding !== null}
      data-chosen={isChosen}
      style={{ '--mark': colour } as CSSProperties}
      title={sayMark(mark)}
      aria-hidden="true"
      onClick={onToggle}
      onDoubleClick={onSeries}
    />
  );
}

import type { ButtonHTMLAttributes } from 'react';
import styles from './filter-chip.module.css';

/** A filter that is on or off, with its count. */
export function FilterChip({
  pressed,
  ...button
}: { pressed: boolean } & ButtonHTMLAttributes<HTMLButtonElement>) {
  return <button type="button" className={styles.chip} aria-pressed={pressed} {...button} />;
}

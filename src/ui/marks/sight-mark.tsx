import type { ReactNode } from 'react';
import type { Sight } from '@/core/students-eye/sight';
import styles from './sight-mark.module.css';

/** A form for each state, told apart without colour: full, half, dashed, a slope, barred, an empty ring. */
const forms: Readonly<Record<Sight, ReactNode>> = {
  Shown: <rect x="1" y="2" width="12" height="10" rx="2" fill="currentColor" />,
  Timed: (
    <>
      <rect
        x="1.500"
        y="2.500"
        width="11"
        height="9"
        rx="2"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.500"
      />
      <rect x="2" y="3" width="5" height="8" fill="currentColor" />
    </>
  ),
  Hidden: (
    <rect
      x="1.750"
      y="2.750"
      width="10.500"
      height="8.500"
      rx="2"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.500"
      strokeDasharray="3 2"
    />
  ),
  Shadowed: <path d="M1 12h12V3z" fill="currentColor" />,
  Locked: <path d="M1 3h12v2H1zM1 6h12v2H1zM1 9h12v2H1z" fill="currentColor" />,
  Unreached: <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" strokeWidth="1.500" />,
};

/** What students get of an item. */
export function SightMark({ sight }: { sight: Sight }) {
  return (
    <span className={styles.sight} data-sight={sight}>
      <svg viewBox="0 0 14 14" width="14" height="14" aria-hidden="true" focusable="false">
        {forms[sight]}
      </svg>
      {sight}
    </span>
  );
}

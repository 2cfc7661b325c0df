'use client';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useState } from 'react';
import styles from './key-hints.module.css';

export type KeyHint = readonly [keys: string, does: string];

interface KeyHintsProps {
  /** What is said below the list at all times. */
  readonly keys: readonly KeyHint[];
  /** What only the whole list says. */
  readonly more?: readonly KeyHint[];
}

/** What keys do here, each with its word; all of them on `?`. */
export function KeyHints({ keys, more = [] }: KeyHintsProps) {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '?' || isTyped(event.target)) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <div className={styles.keys} aria-label="Keys">
        {keys.map(([names, does]) => (
          <span key={names}>
            <Names of={names} /> {does}
          </span>
        ))}
        <button type="button" className={styles.all} onClick={() => setOpen(true)}>
          <Names of="?" /> all keys
        </button>
      </div>
      <Dialog open={isOpen} onClose={() => setOpen(false)} aria-labelledby="all-keys">
        <DialogTitle id="all-keys">Keys</DialogTitle>
        <DialogContent tabIndex={0}>
          <table className={styles.list}>
            <tbody>
              {[...keys, ...more, anywhere].map(([names, does]) => (
                <tr key={names}>
                  <th scope="row">
                    <Names of={names} />
                  </th>
                  <td>{does}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </DialogContent>
      </Dialog>
    </>
  );
}

const anywhere: KeyHint = ['?', 'this list'];

function Names({ of }: { of: string }) {
  return of.split(' ').map((name) => <kbd key={name}>{name}</kbd>);
}

/** Whether what is pressed goes into a field. */
const isTyped = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;

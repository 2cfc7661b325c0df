'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';

/** So many rows are drawn at first; a thousand rows nobody asked for make every page slow. */
const firstRows = 200;

/** The first of many rows, and a button for the others; a new list begins at its start again. */
export function useFirstMany<T>(
  rows: readonly T[],
  first = firstRows,
): {
  readonly shown: readonly T[];
  readonly more: React.ReactNode;
} {
  const [whole, setWhole] = useState<readonly T[] | null>(null);
  const left = rows.length - first;
  if (left <= 0 || whole === rows) return { shown: rows, more: null };
  return {
    shown: rows.slice(0, first),
    more: (
      <Button size="small" variant="outlined" sx={{ justifySelf: 'start' }} onClick={() => setWhole(rows)}>
        Show the other {left.toLocaleString('en')}
      </Button>
    ),
  };
}

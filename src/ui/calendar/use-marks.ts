'use client';
import { useMemo, useState } from 'react';
import type { CalendarMark } from '@/services/show/decide/calendar-view';
import { toggled } from '../marks/toggled';

export interface ChosenMarks {
  readonly keys: ReadonlySet<string>;
  readonly chosen: readonly CalendarMark[];
  toggle(marks: readonly CalendarMark[]): void;
  clear(): void;
}

/** Which dates are chosen; what is not there any more is not. */
export function useMarks(marks: readonly CalendarMark[]): ChosenMarks {
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const chosen = useMemo(() => marks.filter((mark) => kept.has(mark.key)), [marks, kept]);
  const keys = useMemo(() => new Set(chosen.map((mark) => mark.key)), [chosen]);
  return {
    keys,
    chosen,
    toggle: (some) =>
      setKept(
        toggled(
          keys,
          some.map((mark) => mark.key),
        ),
      ),
    clear: () => setKept(new Set()),
  };
}

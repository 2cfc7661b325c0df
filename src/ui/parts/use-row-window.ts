'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';

/** Rows that are drawn above and below the window, so that a fast scroll shows no gap. */
const overscan = 16;

interface RowWindow {
  readonly rows: number;
  /** The row that the keys are at: it is always in the window. */
  readonly at: number;
  /** In pixels. */
  readonly rowHeight: number;
  /** The height of a head that stays above the rows, in pixels. */
  readonly headHeight?: number;
  /** The height of what lies over the foot of the list, in pixels. */
  readonly footHeight?: number;
}

/** A window onto the rows of a list or table: `box` is what scrolls. */
export function useRowWindow({ rows, at, rowHeight, headHeight = 0, footHeight = 0 }: RowWindow) {
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the table renders a window of its rows only
  const windowed = useVirtualizer({
    count: rows,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    scrollPaddingStart: headHeight,
    scrollPaddingEnd: footHeight,
    paddingEnd: footHeight,
    overscan,
  });
  useEffect(() => {
    windowed.scrollToIndex(at, { align: 'auto' });
  }, [at, footHeight, windowed]);
  return { box, windowed };
}

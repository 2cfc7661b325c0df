'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useRef } from 'react';
import type { ContentsView } from '@/services/shells/contents-list';

const rowHeight = 34;

/** The things behind a number, all of them, however many. */
export function ContentsList({ id, contents }: { id: string; contents: ContentsView }) {
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list renders a window of its rows only
  const rows = useVirtualizer({
    count: contents.lines.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    overscan: 12,
  });
  return (
    <div style={{ padding: 22, display: 'grid', gap: 12 }}>
      <div>
        <h1>
          {contents.heading} <span className="soft number">{contents.lines.length.toLocaleString('en')}</span>
        </h1>
        <Link href={`/shells/${id}/bring-in`}>Back to the inventory</Link>
      </div>
      {contents.lines.length === 0 && <p>There are none.</p>}
      <div
        ref={box}
        tabIndex={0}
        role="region"
        aria-label={contents.heading}
        style={{
          height: 'calc(100vh - 210px)',
          overflow: 'auto',
          background: 'var(--sheet)',
          border: '1px solid var(--line)',
          borderRadius: 8,
        }}
      >
        <ul
          style={{
            height: rows.getTotalSize(),
            position: 'relative',
            margin: 0,
            padding: 0,
            listStyle: 'none',
          }}
        >
          {rows.getVirtualItems().map((row) => {
            const line = contents.lines[row.index]!;
            return (
              <li
                key={row.key}
                style={{
                  position: 'absolute',
                  top: row.start,
                  left: 0,
                  right: 0,
                  height: rowHeight,
                  display: 'flex',
                  gap: 14,
                  alignItems: 'center',
                  padding: '0 14px',
                  borderBottom: '1px solid var(--line)',
                  whiteSpace: 'nowrap',
                }}
              >
                <span style={{ overflow: 'hidden', textOverflow: 'ellipsis', fontWeight: 600 }}>
                  {line.title}
                </span>
                <span className="soft" style={{ overflow: 'hidden', textOverflow: 'ellipsis', flex: 1 }}>
                  {line.path.join(' › ')}
                </span>
                <span className="soft">{line.kind}</span>
                <span className="soft number" style={{ minWidth: 120, textAlign: 'right' }}>
                  {line.note}
                </span>
              </li>
            );
          })}
        </ul>
      </div>
    </div>
  );
}

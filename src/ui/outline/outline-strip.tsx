'use client';
import { entryOf } from '@/core/entries';
import { useColorScheme } from '@mui/material/styles';
import { useEffect, useRef, type RefObject } from 'react';
import type { OutlineView } from '@/services/show/decide/outline-view';
import { readPalette } from '../coat/draw-coat';
import { useSize } from '../coat/use-size';
import type { OutlineRow } from './outline-model';
import type { TreeHandle } from './outline-tree';
import styles from './outline.module.css';

const width = 62;

/** The Coat set upright: every row a bristle, a finding in its family’s colour; a click goes there. */
export function OutlineStrip({
  rows,
  findings,
  tree,
}: {
  rows: readonly OutlineRow[];
  findings: OutlineView['findings'];
  tree: RefObject<TreeHandle | null>;
}) {
  const { box, height } = useSize();
  const canvas = useRef<HTMLCanvasElement>(null);
  const { colorScheme } = useColorScheme();
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context || height < 40) return;
    const scale = window.devicePixelRatio || 1;
    element.width = width * scale;
    element.height = height * scale;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    const palette = readPalette(element);
    const pitch = (height - 16) / Math.max(1, rows.length);
    rows.forEach((row, n) => {
      const family = entryOf(findings, row.item.ref)?.family;
      context.fillStyle = palette[family ?? 'hair'] ?? '#999';
      const length = row.item.kind === 'module' ? 22 : 14;
      context.fillRect(8, 8 + n * pitch, family ? 44 : length, Math.max(0.6, pitch * 0.7));
    });
  }, [rows, findings, height, colorScheme]);
  const go = (clientY: number) => {
    const top = canvas.current?.getBoundingClientRect().top ?? 0;
    const share = (clientY - top - 8) / Math.max(1, height - 16);
    tree.current?.goTo(Math.max(0, Math.min(rows.length - 1, Math.round(share * rows.length))));
  };
  return (
    <div ref={box} className={styles.strip}>
      <canvas
        ref={canvas}
        style={{ width, height, display: 'block', cursor: 'pointer' }}
        aria-hidden="true"
        onClick={(event) => go(event.clientY)}
        onMouseMove={(event) => event.buttons === 1 && go(event.clientY)}
      />
    </div>
  );
}

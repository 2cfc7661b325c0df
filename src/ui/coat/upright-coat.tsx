'use client';
import { useColorScheme } from '@mui/material/styles';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Finding } from '@/core/checks/finding';
import type { Sketch } from '@/core/shell/sketch';
import { coatModel } from './coat-model';
import { readPalette } from './draw-coat';

const lengths = { 'fix-first': 46, 'look-at': 34, tidy: 24 } as const;

/** The Coat set upright beside the workbench: the outline from top to bottom, with a frame around what is looked at. */
export function UprightCoat({ sketch, findings, current, onOpen }: { sketch: Sketch; findings: readonly Finding[]; current: Finding | null; onOpen: (finding: string) => void }) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [height, setHeight] = useState(0);
  const { colorScheme } = useColorScheme();
  const model = useMemo(() => coatModel(sketch, findings), [sketch, findings]);
  const things = useMemo(() => [...model.items, ...model.bands.flatMap((b) => b.bristles)], [model]);

  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver((entries) => setHeight(Math.floor(entries[0]?.contentRect.height ?? 0)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context || height < 40) return;
    const scale = window.devicePixelRatio || 1;
    element.width = 62 * scale;
    element.height = height * scale;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    context.clearRect(0, 0, 62, height);
    const palette = readPalette(element);
    const pitch = (height - 16) / Math.max(1, things.length);
    things.forEach((b, i) => {
      context.fillStyle = palette[b.family ?? 'hair'] ?? '#999';
      context.fillRect(8, 8 + i * pitch, b.urgency ? lengths[b.urgency] : 9, Math.max(0.6, pitch * 0.7));
    });
    const places = current ? things.flatMap((b, i) => (current.subjects.some((s) => s.ref === b.ref) ? [i] : [])) : [];
    if (places.length) {
      context.strokeStyle = palette['ink'] ?? '#000';
      context.lineWidth = 1.5;
      const top = 8 + Math.min(...places) * pitch - 4;
      context.strokeRect(3, top, 56, Math.max(9, (Math.max(...places) - Math.min(...places) + 1) * pitch + 8));
    }
  }, [height, things, current, colorScheme]);

  return (
    <div ref={box} style={{ height: '100%' }}>
      <canvas
        ref={canvas}
        role="img"
        aria-label={`The outline from top to bottom: ${model.standing} of ${things.length} things carry a finding`}
        style={{ width: 62, height: Math.max(0, height), display: 'block' }}
        onClick={(event) => {
          const y = event.clientY - event.currentTarget.getBoundingClientRect().top;
          const at = Math.round(((y - 8) / Math.max(1, height - 16)) * things.length);
          const near = [0, 1, -1, 2, -2, 3, -3].map((d) => things[at + d]).find((b) => b?.finding);
          if (near?.finding) onOpen(near.finding);
        }}
      />
    </div>
  );
}

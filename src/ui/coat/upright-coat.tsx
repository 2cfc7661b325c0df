'use client';
import { useColorScheme } from '@mui/material/styles';
import { useEffect, useMemo, useRef } from 'react';
import { collect } from '@/core/collect';
import type { CoatFinding } from './coat-model';
import type { Sketch } from '@/core/shell/sketch';
import { coatModel } from './coat-model';
import { readPalette } from './draw-coat';
import { useSize } from './use-size';

const lengths = { 'fix-first': 46, 'look-at': 34, tidy: 24 } as const;

/** The Coat set upright beside the workbench: the outline from top to bottom, with a frame around what is looked at. */
export function UprightCoat({
  sketch,
  findings,
  current,
  onOpen,
}: {
  sketch: Sketch;
  findings: readonly CoatFinding[];
  current: CoatFinding | null;
  onOpen: (finding: string) => void;
}) {
  const { box, height } = useSize();
  const canvas = useRef<HTMLCanvasElement>(null);
  const { colorScheme } = useColorScheme();
  const model = useMemo(() => coatModel(sketch, findings), [sketch, findings]);
  const things = useMemo(() => [...model.items, ...model.bands.flatMap((b) => b.bristles)], [model]);

  // The bristles are drawn once for a height and a scheme; what is looked at only moves the frame over them.
  const bristles = useRef<HTMLCanvasElement | null>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element || height < 40) return;
    const scale = window.devicePixelRatio || 1;
    const drawn = (bristles.current ??= document.createElement('canvas'));
    drawn.width = element.width = 62 * scale;
    drawn.height = element.height = height * scale;
    const context = drawn.getContext('2d');
    if (!context) return;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    const palette = readPalette(element);
    const pitch = (height - 16) / Math.max(1, things.length);
    things.forEach((b, i) => {
      context.fillStyle = palette[b.family ?? 'hair'] ?? '#999';
      context.fillRect(8, 8 + i * pitch, b.urgency ? lengths[b.urgency] : 9, Math.max(0.6, pitch * 0.7));
    });
  }, [height, things, colorScheme]);

  const placesOf = useMemo(() => {
    const places = new Map<string, number[]>();
    things.forEach((b, i) => collect(places, b.ref, i));
    return places;
  }, [things]);
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context || !bristles.current || height < 40) return;
    const scale = window.devicePixelRatio || 1;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, element.width, element.height);
    context.drawImage(bristles.current, 0, 0);
    const places = current?.subjects.flatMap((s) => placesOf.get(s.ref) ?? []) ?? [];
    if (!places.length) return;
    const pitch = (height - 16) / Math.max(1, things.length);
    const [first, last] = [places.reduce((a, b) => Math.min(a, b)), places.reduce((a, b) => Math.max(a, b))];
    context.setTransform(scale, 0, 0, scale, 0, 0);
    context.strokeStyle = readPalette(element)['ink'] ?? '#000';
    context.lineWidth = 1.5;
    context.strokeRect(3, 8 + first * pitch - 4, 56, Math.max(9, (last - first + 1) * pitch + 8));
  }, [height, things, placesOf, current, colorScheme]);

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

'use client';
import { useColorScheme } from '@mui/material/styles';
import { useEffect, useMemo, useRef } from 'react';
import { collect } from '@/core/collect';
import type { DrawnFinding } from '@/core/checks/finding/finding';
import type { Sketch } from '@/core/shell/sketch';
import { coatModel } from './coat-model';
import { readPalette } from './draw-coat';
import { bristleAt, drawBristles, showBristles, uprightWidth, type DrawnBristles } from './draw-upright';
import { useSize } from './use-size';

/** Less than this many pixels hold no picture. */
const leastHeight = 40;

/** The Coat set upright beside the workbench: the outline from top to bottom, with a frame around what is looked at. */
export function UprightCoat({
  sketch,
  findings,
  current,
  onOpen,
}: {
  sketch: Sketch;
  findings: readonly DrawnFinding[];
  current: DrawnFinding | null;
  onOpen: (finding: string) => void;
}) {
  const { box, height } = useSize();
  const canvas = useRef<HTMLCanvasElement>(null);
  const { colorScheme } = useColorScheme();
  const model = useMemo(() => coatModel(sketch, findings), [sketch, findings]);
  const things = useMemo(() => [...model.items, ...model.bands.flatMap((b) => b.bristles)], [model]);

  // The bristles are drawn once for a height and a scheme; what is looked at only moves the frame over them.
  const drawn = useRef<DrawnBristles | null>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element || height < leastHeight) return;
    drawn.current = drawBristles(things, height, readPalette(element));
  }, [height, things, colorScheme]);

  const placesOf = useMemo(() => {
    const places = new Map<string, number[]>();
    things.forEach((b, i) => collect(places, b.ref, i));
    return places;
  }, [things]);
  useEffect(() => {
    const element = canvas.current;
    if (!element || !drawn.current || height < leastHeight) return;
    const places = current?.subjects.flatMap(({ ref }) => placesOf.get(ref) ?? []) ?? [];
    showBristles(element, drawn.current, places, things.length);
  }, [height, things, placesOf, current, colorScheme]);

  const openAt = (y: number) => {
    const at = bristleAt(y, height, things.length);
    const near = [0, 1, -1, 2, -2, 3, -3].map((d) => things[at + d]).find((bristle) => bristle?.finding);
    if (near?.finding) onOpen(near.finding);
  };
  return (
    <div ref={box} style={{ height: '100%' }}>
      <canvas
        ref={canvas}
        role="img"
        aria-label={`The outline from top to bottom: ${model.standing} of ${things.length} things carry a finding`}
        style={{ width: uprightWidth, height: Math.max(0, height), display: 'block' }}
        onClick={({ clientY, currentTarget }) => openAt(clientY - currentTarget.getBoundingClientRect().top)}
      />
    </div>
  );
}

'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useColorScheme } from '@mui/material/styles';
import type { CoatFinding } from './coat-model';
import type { Sketch } from '@/core/shell/sketch';
import { coatModel, type Bristle } from './coat-model';
import { layOut, placeAt, type Place } from './coat-layout';
import { drawCoat, readPalette } from './draw-coat';
import styles from './coat.module.css';

interface CoatProps {
  readonly sketch: Sketch;
  readonly findings: readonly CoatFinding[];
  readonly label: string;
  readonly onOpen?: (finding: string) => void;
}

/**
 * The Coat: every thing of the shell is one bristle; what carries a finding stands up in its family's colour.
 * Pointing names a bristle, a click or Enter opens its finding; the arrow keys go from one standing bristle to the next.
 */
export function Coat({ sketch, findings, label, onOpen }: CoatProps) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [width, setWidth] = useState(0);
  const [at, setAt] = useState<Place | null>(null);
  const { colorScheme } = useColorScheme();
  const model = useMemo(() => coatModel(sketch, findings), [sketch, findings]);
  const layout = useMemo(() => (width > 0 ? layOut(model, width) : null), [model, width]);

  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver((entries) =>
      setWidth(Math.floor(entries[0]?.contentRect.width ?? 0)),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context || !layout) return;
    const draw = () => {
      const scale = window.devicePixelRatio || 1;
      element.width = layout.width * scale;
      element.height = layout.height * scale;
      context.setTransform(scale, 0, 0, scale, 0, 0);
      const begun = performance.now();
      drawCoat(context, model, layout, readPalette(element));
      element.dataset['drawn'] = (performance.now() - begun).toFixed(1);
    };
    draw();
    // Labels are set in our own face, which may arrive a moment later.
    void document.fonts.ready.then(draw);
  }, [layout, model, colorScheme]);

  const bristleOf = (place: Place | null): Bristle | null =>
    place
      ? ((place.band < 0 ? model.items[place.index] : model.bands[place.band]?.bristles[place.index]) ?? null)
      : null;
  const pointed = bristleOf(at);
  const step = (by: 1 | -1 | 'first' | 'last') => {
    if (!layout) return;
    const standing = layout.places.filter((p) => bristleOf(p)?.family);
    if (!standing.length) return;
    const now = at ? standing.findIndex((p) => p === at) : -1;
    setAt(standing[placeBy(by, now, standing.length)] ?? null);
  };
  const open = () => {
    if (pointed?.finding) onOpen?.(pointed.finding);
  };
  return (
    <div
      ref={box}
      className={styles.coat}
      role="group"
      aria-label={`${label}: ${model.items.length} items; ${model.standing} things carry a finding. Arrow keys go through them${onOpen ? ', Enter opens one' : ''}.`}
      tabIndex={0}
      onKeyDown={(event) => {
        const move = {
          ArrowRight: 1,
          ArrowDown: 1,
          ArrowLeft: -1,
          ArrowUp: -1,
          Home: 'first',
          End: 'last',
        } as const;
        const by = move[event.key as keyof typeof move];
        if (by !== undefined) {
          event.preventDefault();
          step(by);
        } else if (event.key === 'Enter') open();
      }}
    >
      <canvas
        ref={canvas}
        aria-hidden="true"
        style={{
          width: layout?.width ?? '100%',
          height: layout?.height ?? 230,
          cursor: pointed?.finding && onOpen ? 'pointer' : 'default',
        }}
        onMouseMove={(event) => {
          const frame = event.currentTarget.getBoundingClientRect();
          if (layout) setAt(placeAt(layout, event.clientX - frame.left, event.clientY - frame.top));
        }}
        onMouseLeave={() => setAt(null)}
        onClick={open}
      />
      {at && pointed && (
        <div
          className={styles.tip}
          style={{ left: Math.min(at.x, Math.max(0, width - 260)), top: at.y + 4 }}
          aria-hidden="true"
        >
          <strong>{pointed.title}</strong>
          {pointed.says && <span>{pointed.says}</span>}
        </div>
      )}
      <span className="unseen" role="status" aria-live="polite">
        {pointed ? `${pointed.title}${pointed.says ? `: ${pointed.says}` : ''}` : ''}
      </span>
    </div>
  );
}

/** The place that a key leads to from where it stands (-1: nowhere yet); the ends are joined. */
function placeBy(by: number | 'first' | 'last', now: number, length: number): number {
  if (by === 'first') return 0;
  if (by === 'last') return length - 1;
  if (now >= 0) return (now + by + length) % length;
  return by > 0 ? 0 : length - 1;
}

'use client';
import { entryOf } from '@/core/entries';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useColorScheme } from '@mui/material/styles';
import type { DrawnFinding } from '@/core/checks/finding/finding';
import type { Sketch } from '@/core/shell/sketch';
import { coatModel, type Bristle, type CoatModel } from './coat-model';
import { layOut, placeAt, type CoatLayout, type Place } from './coat-layout';
import { drawCoat, readPalette } from './draw-coat';
import { useSize } from './use-size';
import styles from './coat.module.css';

interface CoatProps {
  readonly sketch: Sketch;
  readonly findings: readonly DrawnFinding[];
  readonly label: string;
  readonly onOpen?: (finding: string) => void;
}

/**
 * The Coat: every thing of the shell is one bristle; what carries a finding stands up in its family's colour.
 * Pointing names a bristle, a click or Enter opens its finding; the arrow keys go from one standing bristle to the next.
 */
export function Coat({ sketch, findings, label, onOpen }: CoatProps) {
  const { box, width } = useSize();
  const [at, setAt] = useState<Place | null>(null);
  const model = useMemo(() => coatModel(sketch, findings), [sketch, findings]);
  const layout = useMemo(() => (width > 0 ? layOut(model, width) : null), [model, width]);
  const canvas = useDrawnCoat(model, layout);
  const pointed = bristleAt(model, at);
  const open = () => {
    if (pointed?.finding) onOpen?.(pointed.finding);
  };
  const onKey = (event: React.KeyboardEvent) => {
    if (event.key === 'Enter') open();
    const by = entryOf(moves, event.key);
    if (by === undefined || !layout) return;
    event.preventDefault();
    const standing = layout.places.filter((place) => bristleAt(model, place)?.family);
    const now = standing.findIndex((place) => place === at);
    if (standing.length) setAt(standing[placeBy(by, now, standing.length)] ?? null);
  };
  const keys = `Arrow keys go through them${onOpen ? ', Enter opens one' : ''}`;
  return (
    <div
      ref={box}
      className={styles.coat}
      role="group"
      aria-label={`${label}: ${model.items.length} items; ${model.standing} things carry a finding. ${keys}.`}
      tabIndex={0}
      onKeyDown={onKey}
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
      {at && pointed && <BristleTip bristle={pointed} place={at} width={width} />}
      <span className="unseen" role="status" aria-live="polite">
        {pointed && [pointed.title, pointed.says].filter(Boolean).join(': ')}
      </span>
    </div>
  );
}

/** The canvas that a Coat is drawn on, anew for every layout, model and colour scheme. */
function useDrawnCoat(model: CoatModel, layout: CoatLayout | null) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { colorScheme } = useColorScheme();
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
  return canvas;
}

function BristleTip({ bristle, place, width }: { bristle: Bristle; place: Place; width: number }) {
  const left = Math.min(place.x, Math.max(0, width - 260));
  return (
    <div className={styles.tip} style={{ left, top: place.y + 4 }} aria-hidden="true">
      <strong>{bristle.title}</strong>
      {bristle.says && <span>{bristle.says}</span>}
    </div>
  );
}

/** The bristle at a place: of the outline, else of one of the bands below. */
function bristleAt(model: CoatModel, place: Place | null): Bristle | null {
  if (!place) return null;
  const row = place.band < 0 ? model.items : model.bands[place.band]?.bristles;
  return row?.[place.index] ?? null;
}

type Move = 1 | -1 | 'first' | 'last';
const moves: Readonly<Record<string, Move>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
  Home: 'first',
  End: 'last',
};

/** The place that a key leads to from where it stands (-1: nowhere yet); the ends are joined. */
function placeBy(by: Move, now: number, length: number): number {
  if (by === 'first') return 0;
  if (by === 'last') return length - 1;
  if (now >= 0) return (now + by + length) % length;
  return by > 0 ? 0 : length - 1;
}

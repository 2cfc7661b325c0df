import { entryOf } from '@/core/entries';
import { families, type Urgency } from '@/core/checks/finding/finding';
import type { CoatLayout } from './coat-layout';
import type { CoatModel } from './coat-model';

export type Palette = Readonly<Record<string, string>>;

/** The colours of the page's scheme. */
export function readPalette(element: Element): Palette {
  const style = getComputedStyle(element);
  return Object.fromEntries(
    [...families, 'hair', 'ink', 'soft', 'line'].map((name) => [
      name,
      style.getPropertyValue(`--${name}`).trim(),
    ]),
  );
}

const reach: Readonly<Record<Urgency, number>> = { 'fix-first': 0.82, 'look-at': 0.58, tidy: 0.4 };

/** Draws the whole Coat: one pass for clean hair, one path a colour for what stands up. */
export function drawCoat(
  context: CanvasRenderingContext2D,
  model: CoatModel,
  layout: CoatLayout,
  palette: Palette,
): void {
  context.clearRect(0, 0, layout.width, layout.height);
  context.lineCap = 'butt';
  drawStretches(context, model, layout, palette);
  context.strokeStyle = palette['ink'] ?? '#000';
  context.lineWidth = 1;
  for (const ground of layout.grounds) line(context, ground.x1, ground.y + 0.5, ground.x2, ground.y + 0.5);
  const hair: Path2D = new Path2D();
  const standing = new Map<string, Path2D>();
  for (const place of layout.places) {
    const bristle =
      place.band < 0 ? model.items[place.index] : model.bands[place.band]?.bristles[place.index];
    if (!bristle) continue;
    if (place.band >= 0) {
      const tall = bristle.urgency ? 6 + 12 * reach[bristle.urgency] : 5;
      const path = bristle.family
        ? pathFor(standing, `${bristle.family} band`)
        : pathFor(standing, 'hair band');
      path.rect(
        place.x - place.width / 2,
        place.y - tall,
        Math.max(0.8, place.width - (place.width > 3 ? 0.8 : 0)),
        tall,
      );
      continue;
    }
    const max = layout.rowHeight;
    const lean = Math.min(3.4, max * 0.05);
    if (!bristle.family || !bristle.urgency) {
      const short = Math.max(4, max * 0.13);
      hair.moveTo(place.x - lean / 2, place.y);
      hair.lineTo(place.x + lean, place.y - short);
    } else {
      const path = pathFor(standing, bristle.family);
      path.moveTo(place.x, place.y);
      path.lineTo(place.x + lean * 0.6, place.y - max * reach[bristle.urgency]);
    }
  }
  context.strokeStyle = palette['hair'] ?? '#999';
  context.lineWidth = strokeWidth(layout, 1.3);
  context.stroke(hair);
  for (const [key, path] of standing) {
    const [name, band] = key.split(' ');
    const colour = entryOf(palette, name ?? '') ?? '#000';
    if (band) {
      context.fillStyle = colour;
      context.fill(path);
    } else {
      context.strokeStyle = colour;
      context.lineWidth = strokeWidth(layout, 2.2);
      context.stroke(path);
    }
  }
  drawLabels(context, layout, palette);
}

function drawStretches(
  context: CanvasRenderingContext2D,
  model: CoatModel,
  layout: CoatLayout,
  palette: Palette,
): void {
  context.font = "600 11px 'Atkinson Hyperlegible Next Variable', sans-serif";
  for (const stretch of model.stretches) {
    const [first, last] = [layout.places[stretch.from], layout.places[stretch.to]];
    if (!first || !last || first.band >= 0 || last.band >= 0) continue;
    context.fillStyle = palette['duplicate'] ?? '#00f';
    context.globalAlpha = 0.1;
    if (first.y === last.y)
      context.fillRect(
        first.x - first.width,
        first.y - layout.rowHeight + 2,
        last.x - first.x + 2 * first.width,
        layout.rowHeight - 2,
      );
    context.globalAlpha = 1;
    if (layout.rowHeight > 80)
      context.fillText(stretch.label, Math.min(first.x, layout.width - 110), first.y - layout.rowHeight + 12);
  }
}

function drawLabels(context: CanvasRenderingContext2D, layout: CoatLayout, palette: Palette): void {
  context.fillStyle = palette['soft'] ?? '#666';
  context.font = "11px 'Atkinson Hyperlegible Next Variable', sans-serif";
  if (layout.grounds.length === 1)
    for (const label of layout.groupLabels) context.fillText(label.text, label.x, label.y);
  for (const label of layout.bandLabels) context.fillText(label.text, label.x, label.y);
}

const strokeWidth = (layout: CoatLayout, wanted: number) =>
  Math.min(wanted, Math.max(0.8, (layout.places[0]?.width ?? 3) * 0.62));
function pathFor(paths: Map<string, Path2D>, key: string): Path2D {
  let path = paths.get(key);
  if (!path) paths.set(key, (path = new Path2D()));
  return path;
}
function line(context: CanvasRenderingContext2D, x1: number, y1: number, x2: number, y2: number): void {
  context.beginPath();
  context.moveTo(x1, y1);
  context.lineTo(x2, y2);
  context.stroke();
}

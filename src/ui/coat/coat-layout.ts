import type { CoatModel } from './coat-model';

/** Where a bristle stands, in CSS pixels: its foot, and how long it may be. */
export interface Place {
  readonly index: number;
  /** Along the row. */
  readonly x: number;
  /** The row's ground line. */
  readonly y: number;
  readonly width: number;
  /** -1 for items, else the band. */
  readonly band: number;
}
export interface Label {
  readonly text: string;
  readonly x: number;
  readonly y: number;
}
export interface CoatLayout {
  readonly width: number;
  readonly height: number;
  readonly rowHeight: number;
  readonly places: readonly Place[];
  readonly groupLabels: readonly Label[];
  readonly bandLabels: readonly Label[];
  readonly grounds: readonly { readonly x1: number; readonly x2: number; readonly y: number }[];
}

const leastPitch = 1.9;
const tuftGap = 5;
const bandLabelWidth = 92;
const bandHeight = 30;

/** Fits everything into a width: items wrap into rows, each band is one row below. */
export function layOut(model: CoatModel, width: number): CoatLayout {
  const inner = Math.max(120, width - 8);
  const gaps = Math.max(0, new Set(model.items.map((i) => i.group)).size - 1) * tuftGap;
  const count = Math.max(1, model.items.length);
  const rows = Math.max(1, Math.ceil((count * leastPitch + gaps) / inner));
  const rowHeight = rows === 1 ? 112 : Math.max(20, Math.min(60, 320 / rows));
  const pitch = Math.min(7, (inner * rows - gaps - rows * 4) / count);
  const places: Place[] = [];
  const groupLabels: Label[] = [];
  const grounds: { x1: number; x2: number; y: number }[] = [];
  let x = 4;
  let row = 0;
  let group = -2;
  const ground = () => rowHeight * (row + 1) + row * 4 - 2;
  model.items.forEach((item, index) => {
    if (item.group !== group && group !== -2) x += tuftGap;
    if (x + pitch > inner + 4) {
      grounds.push({ x1: 2, x2: x, y: ground() });
      row += 1;
      x = 4;
    }
    if (item.group !== group) {
      group = item.group;
      groupLabels.push({ text: shortName(model.groups[group] ?? ''), x, y: ground() + 14 });
    }
    places.push({ index, x: x + pitch / 2, y: ground(), width: pitch, band: -1 });
    x += pitch;
  });
  grounds.push({ x1: 2, x2: Math.max(x, 40), y: ground() });
  let y = ground() + (rows === 1 ? 30 : 14);
  const bandLabels: Label[] = [];
  model.bands.forEach((band, b) => {
    if (!band.bristles.length) return;
    y += bandHeight;
    bandLabels.push({ text: `${band.bristles.length.toLocaleString('en')} ${band.name}`, x: 4, y });
    const bristleWidth = Math.min(9, (inner - bandLabelWidth) / band.bristles.length);
    band.bristles.forEach((_, index) =>
      places.push({
        index,
        x: bandLabelWidth + (index + 0.5) * bristleWidth,
        y,
        width: bristleWidth,
        band: b,
      }),
    );
  });
  return { width, height: y + 12, rowHeight, places, groupLabels: thinOut(groupLabels), bandLabels, grounds };
}

/** A module's number where it has one, else its first letters. */
function shortName(title: string): string {
  const number = /\b(\d{1,3})\b/.exec(title)?.[1];
  return number ?? (title.length > 7 ? `${title.slice(0, 6)}…` : title);
}

/** Leaves out labels that would run into the one before. */
function thinOut(labels: readonly Label[]): Label[] {
  const kept: Label[] = [];
  for (const label of labels) {
    const last = kept.at(-1);
    if (!last || last.y !== label.y || label.x > last.x + last.text.length * 6.2 + 6) kept.push(label);
  }
  return kept;
}

/** The place nearest to a point, or null where nothing is near. */
export function placeAt(layout: CoatLayout, x: number, y: number): Place | null {
  let best: Place | null = null;
  let distance = 14;
  for (const place of layout.places) {
    const top = place.band < 0 ? layout.rowHeight : 20;
    if (y > place.y + 3 || y < place.y - top) continue;
    const d = Math.abs(place.x - x);
    if (d < distance) {
      distance = d;
      best = place;
    }
  }
  return best;
}

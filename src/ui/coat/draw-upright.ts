import type { Palette } from './draw-coat';
import type { Bristle } from './coat-model';

/** Width of the upright Coat, in CSS pixels. */
export const uprightWidth = 62;
/** Room above the first and below the last bristle, in CSS pixels. */
const margin = 8;
const lengths = { 'fix-first': 46, 'look-at': 34, tidy: 24 } as const;
/** Length of a bristle that carries no finding. */
const lyingFlat = 9;

/** The bristles as they were drawn for a height and a scheme, and the colours that they were drawn in. */
export interface DrawnBristles {
  readonly picture: HTMLCanvasElement;
  readonly palette: Palette;
}

const pitchOf = (height: number, count: number) => (height - 2 * margin) / Math.max(1, count);

/** Which of so many bristles stands at a height. */
export const bristleAt = (y: number, height: number, count: number): number =>
  Math.round(((y - margin) / Math.max(1, height - 2 * margin)) * count);

/** Draws every bristle on a picture of its own, as sharp as the screen is. */
export function drawBristles(things: readonly Bristle[], height: number, palette: Palette): DrawnBristles {
  const scale = window.devicePixelRatio || 1;
  const picture = document.createElement('canvas');
  picture.width = uprightWidth * scale;
  picture.height = height * scale;
  const context = picture.getContext('2d');
  context?.setTransform(scale, 0, 0, scale, 0, 0);
  const pitch = pitchOf(height, things.length);
  things.forEach(({ family, urgency }, i) => {
    if (!context) return;
    context.fillStyle = palette[family ?? 'hair'] ?? '#999';
    const length = urgency ? lengths[urgency] : lyingFlat;
    context.fillRect(margin, margin + i * pitch, length, Math.max(0.6, pitch * 0.7));
  });
  return { picture, palette };
}

/** Shows the bristles, with a frame around those at the given places. */
export function showBristles(
  canvas: HTMLCanvasElement,
  { picture, palette }: DrawnBristles,
  places: readonly number[],
  count: number,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const scale = picture.width / uprightWidth;
  // Another size has the page laid out anew, so it is only set where it differs.
  if (canvas.width !== picture.width) canvas.width = picture.width;
  if (canvas.height !== picture.height) canvas.height = picture.height;
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.drawImage(picture, 0, 0);
  if (!places.length) return;
  const pitch = pitchOf(picture.height / scale, count);
  const first = places.reduce((a, b) => Math.min(a, b));
  const last = places.reduce((a, b) => Math.max(a, b));
  context.setTransform(scale, 0, 0, scale, 0, 0);
  context.strokeStyle = palette['ink'] ?? '#000';
  context.lineWidth = 1.5;
  context.strokeRect(3, margin + first * pitch - 4, 56, Math.max(9, (last - first + 1) * pitch + 8));
}

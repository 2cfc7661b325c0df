import { clothBackground, clothOf } from './cloth-pattern';

/** Relative luminance and contrast (WCAG 2.2, definitions). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
const contrast = (a: string, b: string) => {
  const [x, y] = [luminance(a), luminance(b)].sort((m, n) => n - m) as [number, number];
  return (x + 0.05) / (y + 0.05);
};

test('the contrast formula gives the published extremes', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

test('white text reads on ground and thread of every cloth', () => {
  for (let i = 0; i < 400; i += 1) {
    const cloth = clothOf(`HYD ${i}`);
    expect(contrast(cloth.ground, '#fffdf8')).toBeGreaterThanOrEqual(7);
    expect(contrast(cloth.thread, '#fffdf8')).toBeGreaterThanOrEqual(4.5);
  }
});

test('a code always gives the same cloth, and the demo’s shells differ', () => {
  expect(clothOf('HYD 214')).toEqual(clothOf(' hyd 214 '));
  const seen = ['HYD 214', 'HYD 214-E', 'GEO 130', 'BIO 355', 'LIB 101'].map((c) =>
    clothBackground(clothOf(c)),
  );
  expect(new Set(seen).size).toBe(seen.length);
});

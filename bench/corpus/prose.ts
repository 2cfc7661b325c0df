import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { scanHtml } from '@/core/text/scan-html';

const root = join(process.cwd(), '.cache/doc-tree/usr/share/doc/sqlite3');

/** Paragraphs of 40 to 160 words from Debian's package sqlite3-doc: real prose that nobody wrote for this. */
export function proseParagraphs(): string[] {
  if (!existsSync(root)) throw new Error('The documentation tree is missing: run scripts/fetch-doc-tree.sh');
  const found = new Set<string>();
  for (const name of readdirSync(root)
    .filter((n) => /\.html$/.test(n))
    .sort()) {
    const { text } = scanHtml(readFileSync(join(root, name), 'utf8'));
    for (const line of text.split('\n')) {
      const paragraph = line.replace(/\s+/g, ' ').trim();
      const words = paragraph.split(' ').length;
      if (words >= 40 && words <= 160 && /^[A-Z]/.test(paragraph) && /[.!?]$/.test(paragraph))
        found.add(paragraph);
    }
  }
  return [...found];
}

/** Numbers from nought to one that are the same in every run (a linear congruential generator; Numerical Recipes, ranqd1). */
export function dice(seed: number): {
  next(): number;
  pick<T>(list: readonly T[]): T;
  below(n: number): number;
} {
  let state = seed >>> 0;
  const next = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const below = (n: number) => Math.floor(next() * n);
  return { next, below, pick: (list) => list[below(list.length)]! };
}

export const escapeHtml = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

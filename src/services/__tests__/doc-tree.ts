import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';

const root = join(process.cwd(), '.cache/doc-tree/usr/share/doc/sqlite3');

export interface DocTree {
  readonly composer: ShellComposer;
  /** Bytes of every file by its path in the package. */
  readonly bytes: ReadonlyMap<string, Buffer>;
  readonly planted: {
    readonly leftOver: readonly string[];
    readonly doubledFiles: readonly (readonly [string, string])[];
    readonly doubledPages: readonly string[];
  };
}

function* walk(folder: string, below = ''): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.isDirectory()) yield* walk(join(folder, entry.name), `${below}${entry.name}/`);
    else if (entry.isFile()) yield `${below}${entry.name}`;
  }
}

/**
 * A package from a real documentation tree: its pages with their real links and pictures, half of them in an outline;
 * and on purpose some files that nothing shows, some doubled, and a stretch of pages that was brought in twice.
 */
export function docTreePackage(): DocTree {
  if (!existsSync(root)) throw new Error('The documentation tree is missing: run scripts/fetch-doc-tree.sh');
  const composer = new ShellComposer({ ref: shellRef('doc-tree') });
  const bytes = new Map<string, Buffer>();
  const paths = [...walk(root)].sort();
  const pages = paths.filter((p) => /\.html?$/.test(p));
  const others = paths.filter((p) => !/\.html?$/.test(p) && !/\.gz$/.test(p));
  const read = (path: string) => readFileSync(join(root, path));
  const file = (path: string, data: Buffer) => {
    bytes.set(`docs/${path}`, data);
    composer.file(`docs/${path}`, data);
  };
  for (const path of others) file(path, read(path));
  const page = (
    title: string,
    path: string,
    data: Buffer,
    more: { ref: string; parent?: string; outside?: boolean },
  ) => {
    bytes.set(`docs/${path}`, data);
    composer.page(title, data.toString('utf8'), { ...more, path: `docs/${path}` });
  };
  const placed = pages.filter((_, i) => i % 2 === 0);
  const stretch = placed.slice(40, 70);
  let chapter = '';
  placed.forEach((path, i) => {
    if (i % 25 === 0) chapter = composer.module(`Chapter ${i / 25 + 1}`, { ref: `chapter-${i / 25 + 1}` });
    page(`Page ${path}`, path, read(path), { ref: `page-${i}`, parent: chapter });
  });
  const again = composer.module('Brought in again', { ref: 'again' });
  const copyOf = (path: string) => path.replace(/\.html?$/, '-again.html');
  stretch.forEach((path, i) =>
    page(`Page ${path}`, copyOf(path), read(path), { ref: `again-${i}`, parent: again }),
  );
  for (const path of pages)
    if (!placed.includes(path)) page(`Page ${path}`, path, read(path), { ref: '', outside: true });

  const pictures = others.filter((p) => /\.(gif|png|jpg|svg)$/.test(p)).slice(0, 12);
  const doubledFiles = pictures.map((p) => `copies/${p.replace(/\//g, '-')}`);
  pictures.forEach((p, i) => file(doubledFiles[i]!, read(p)));
  const leftOver = Array.from({ length: 15 }, (_, i) => `left-over/${i}.txt`);
  leftOver.forEach((path, i) => file(path, Buffer.from(`left over ${i}`)));
  // A page of ours uses the doubled pictures and the second import, so that links have to be led elsewhere.
  const links = [
    ...doubledFiles.map((p) => `<img src="${encodeURI(p)}">`),
    ...stretch.slice(0, 10).map((p) => `<a href="${encodeURI(copyOf(p))}#top">x</a>`),
  ].join('\n');
  page('Index of ours', 'ours.html', Buffer.from(`<html><body><h1>Ours</h1>\n${links}\n</body></html>`), {
    ref: 'ours',
  });
  return {
    composer,
    bytes,
    planted: {
      leftOver: leftOver.map((p) => `docs/${p}`),
      doubledFiles: pictures.map((p, i) => [`docs/${p}`, `docs/${doubledFiles[i]!}`] as const),
      doubledPages: stretch.map((p) => `docs/${copyOf(p)}`),
    },
  };
}

import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { allChecks } from '@/core/checks/run/registry';
import { collect } from '@/core/collect';
import { runChecks } from '@/core/checks/run/run-checks';
import type { Shell } from '@/core/shell/model';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { linkGraphOf, type NodeKey } from './graph';
import { standardLinks, type StandardLinks } from './__tests__/standard-links';

jest.setTimeout(300_000);
const root = join(process.cwd(), '.cache/doc-tree/usr/share/doc');

/** Documentation of two of Debian's packages, by scripts/fetch-doc-tree.sh: the page to begin at, and its folder. */
const trees = [
  { name: 'sqlite3-doc', folder: 'sqlite3', start: 'index.html' },
  { name: 'postgresql-doc-15', folder: 'postgresql-doc-15/html', start: 'index.html' },
];

function filesIn(folder: string, below = ''): Map<string, Buffer> {
  const files = new Map<string, Buffer>();
  for (const entry of readdirSync(join(folder, below), { withFileTypes: true })) {
    const path = `${below}${entry.name}`;
    if (entry.isFile()) files.set(path, readFileSync(join(folder, path)));
    if (entry.isDirectory()) for (const [name, data] of filesIn(folder, `${path}/`)) files.set(name, data);
  }
  return files;
}

/** A tree with holes: every seventh page is missing, so that there are broken links and files that nothing shows. */
function holed(files: ReadonlyMap<string, Buffer>, start: string): Map<string, Buffer> {
  const kept = [...files].filter(([path], n) => path === start || !/\.html?$/.test(path) || n % 7 !== 3);
  return new Map(kept);
}

/** The tree as a shell: the first page stands in the outline, everything else is a file. */
function shellOf(files: ReadonlyMap<string, Buffer>, start: string): Shell {
  const composer = new ShellComposer({ ref: shellRef('tree') });
  for (const [path, data] of files)
    if (path === start) composer.page('Start', data.toString('utf8'), { path });
    else composer.file(path, data);
  return composer.shell();
}

function linksOf(shell: Shell): StandardLinks {
  const graph = linkGraphOf(shell);
  const pathOf = new Map<NodeKey, string>();
  for (const content of shell.contents)
    if (content.textPath !== null) pathOf.set(`content:${content.id}`, content.textPath);
  for (const file of shell.files) pathOf.set(`file:${file.path}`, file.path);
  const links = new Set<string>();
  for (const edges of graph.outgoing.values())
    for (const edge of edges)
      if (edge.kind === 'address') links.add(`${pathOf.get(edge.from)} → ${pathOf.get(edge.to)}`);
  const broken = graph.broken.map(({ from, asked }) => `${pathOf.get(from)} → ${asked}`);
  return { links, broken: new Set(broken) };
}

/** What no chain of links from the first page leads to. */
function unreached(files: ReadonlyMap<string, Buffer>, start: string, links: ReadonlySet<string>): string[] {
  const reached = new Set([start]);
  const onward = new Map<string, string[]>();
  for (const link of links) {
    const [from = '', to = ''] = link.split(' → ');
    collect(onward, from, to);
  }
  for (const path of reached) for (const next of onward.get(path) ?? []) reached.add(next);
  return [...files.keys()].filter((path) => !reached.has(path)).sort();
}

const onlyIn = (one: ReadonlySet<string>, other: ReadonlySet<string>) =>
  [...one].filter((entry) => !other.has(entry));

describe.each(trees)('$name', ({ folder, start }) => {
  const whole = existsSync(join(root, folder)) ? filesIn(join(root, folder)) : new Map<string, Buffer>();
  test.each([
    ['whole', (files: ReadonlyMap<string, Buffer>) => new Map(files)],
    ['with every seventh page missing', (files: ReadonlyMap<string, Buffer>) => holed(files, start)],
  ])('%s: the same links, broken links and unused files as by the standards', (_, cut) => {
    const files = cut(whole);
    expect(files.size).toBeGreaterThan(500);
    const shell = shellOf(files, start);
    const [ours, standard] = [linksOf(shell), standardLinks(files)];
    expect(standard.links.size).toBeGreaterThan(5000);
    expect(standard.broken.size).toBeGreaterThan(1000);
    expect(onlyIn(ours.links, standard.links)).toEqual([]);
    expect(onlyIn(standard.links, ours.links)).toEqual([]);
    expect(onlyIn(ours.broken, standard.broken)).toEqual([]);
    expect(onlyIn(standard.broken, ours.broken)).toEqual([]);
    const checks = allChecks.filter((check) => check.id === 'orphan.unused-file');
    const unused = runChecks(shell, { checks }).findings.flatMap((f) => f.subjects.map((s) => s.ref));
    expect(unused.sort()).toEqual(unreached(files, start, standard.links));
  });
});

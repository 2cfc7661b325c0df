import { dirname } from 'node:path';
import { cruise } from 'dependency-cruiser';
import extractConfig from 'dependency-cruiser/config-utl/extract-depcruise-config';
import extractTsConfig from 'dependency-cruiser/config-utl/extract-ts-config';

/**
 * Folders import in one direction only: of two folders never each the other, and none itself by way of others. Files are
 * held to that by the rules of dependency-cruiser; this does the same for the folders that they are in. Tests may reach
 * wherever they need.
 */
const isTest = (path) => /\.test\.tsx?$|\/__tests__\//.test(path);

/** Arrows between folders, each with one import that makes it. */
export function arrowsBetweenFolders(modules) {
  const arrows = new Map();
  for (const { source, dependencies } of modules) {
    if (!source.startsWith('src/') || isTest(source)) continue;
    for (const { resolved } of dependencies) {
      const [from, to] = [dirname(source), dirname(resolved)];
      if (!resolved.startsWith('src/') || isTest(resolved) || from === to) continue;
      if (!arrows.has(from)) arrows.set(from, new Map());
      if (!arrows.get(from).has(to)) arrows.get(from).set(to, `${source} imports ${resolved}`);
    }
  }
  return arrows;
}

/** Ways that lead from a folder back to itself, each as the imports that it consists of. */
export function circlesOf(arrows) {
  const circles = [];
  const done = new Set();
  const way = [];
  const visit = (folder) => {
    if (done.has(folder)) return;
    const begun = way.indexOf(folder);
    if (begun >= 0) {
      const round = [...way.slice(begun), folder];
      circles.push(round.slice(1).map((to, k) => arrows.get(round[k]).get(to)));
      return;
    }
    way.push(folder);
    for (const to of arrows.get(folder)?.keys() ?? []) visit(to);
    way.pop();
    done.add(folder);
  };
  for (const folder of arrows.keys()) visit(folder);
  return circles;
}

if (process.argv[1]?.endsWith('folder-circles.mjs')) {
  const config = await extractConfig('./.dependency-cruiser.cjs');
  const result = await cruise(['src'], { ...config.options, ruleSet: {} }, null, {
    tsConfig: extractTsConfig('tsconfig.json'),
  });
  const arrows = arrowsBetweenFolders(result.output.modules);
  const circles = circlesOf(arrows);
  const count = [...arrows.values()].reduce((n, to) => n + to.size, 0);
  for (const circle of circles) process.stderr.write(`A circle of folders:\n  ${circle.join('\n  ')}\n`);
  process.stdout.write(
    `${arrows.size} folders, ${count} arrows between them, ${circles.length} circles of folders\n`,
  );
  process.exit(circles.length > 0 ? 1 : 0);
}

import { nameWords } from '@/core/text/name-words';
import { titleKey } from '@/core/text/normalise';
import { numberLabel } from '@/core/text/number-label';
import type { Item } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { noGesture, outermost, type Gesture, type OutlineShell } from './gesture';

/** The modules of a shell by what they count by: `week 3`. The first of several that say the same. */
export function modulesByNumber(shell: OutlineShell): ReadonlyMap<string, Item> {
  const modules = new Map<string, Item>();
  for (const item of shell.items) {
    const label = item.kind === 'module' && item.placed ? numberLabel(item.title) : null;
    const key = label === null ? '' : `${label.label} ${label.numbers.join('.')}`;
    if (label !== null && !modules.has(key)) modules.set(key, item);
  }
  return modules;
}

/** Finds the module that something belongs into by what its title says. */
type ModuleFor = (title: string) => Item | undefined;

/** Modules whose name is shorter than this, in letters, are not looked for inside other titles. */
const shortestName = 6;

/**
 * Reads a number anywhere in a title (“Slides, Week 3”), else the name of a module in it (“Site project: notes”). Of
 * several names the longest counts.
 */
function moduleReader(shell: OutlineShell): ModuleFor {
  const byNumber = modulesByNumber(shell);
  const byName = shell.items
    .filter((item) => item.kind === 'module' && item.placed && titleKey(item.title).length >= shortestName)
    .map((item) => ({ item, name: ` ${plainWords(item.title)} ` }))
    .sort((a, b) => b.name.length - a.name.length);
  return (title) => {
    const words = title.split(/(?<=[\s,;:(–—-])/u);
    for (let n = 0; n < words.length; n += 1) {
      const label = numberLabel(words.slice(n).join(''));
      const into = label === null ? undefined : byNumber.get(`${label.label} ${label.numbers.join('.')}`);
      if (into) return into;
    }
    const plain = ` ${plainWords(title)} `;
    return byName.find(({ name }) => plain.includes(name))?.item;
  };
}

const plainWords = (title: string): string =>
  titleKey(title)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/**
 * Puts what is chosen into the modules that count, or are named, as it does: “Week 3 reading” into “Week 3: Stage”. Of a
 * chosen module that does not count, what stands in it is distributed. Without a choice it is about everything that
 * stands outside the outline, or beside the modules at the top level.
 */
export function placeByNumber(shell: OutlineShell, refs: ReadonlySet<string>): Gesture {
  const moduleFor = moduleReader(shell);
  const candidates = refs.size > 0 ? chosenOnes(shell, refs) : looseItems(shell);
  const places = candidates.flatMap((item): (readonly [Item, Item])[] => {
    const into = moduleFor(item.title);
    return into && into.ref !== item.parent && into.ref !== item.ref ? [[item, into]] : [];
  });
  const step = (action: string, some: typeof places): Gesture => {
    if (some.length === 0) return noGesture;
    const into = Object.fromEntries(some.map(([item, module]) => [item.ref, module.ref]));
    return [{ action, targets: Object.keys(into), params: { places: into } }];
  };
  return [
    ...step(
      'move',
      places.filter(([item]) => item.placed),
    ),
    ...step(
      'place',
      places.filter(([item]) => !item.placed),
    ),
  ];
}

/** The chosen items; of a module that does not count itself, what stands in it. */
function chosenOnes(shell: OutlineShell, refs: ReadonlySet<string>): readonly Item[] {
  const outline = outlineOf(shell);
  return outermost(shell, refs).flatMap((item) => {
    if (item.kind !== 'module') return [item];
    if (numberLabel(item.title) !== null) return [];
    return outline.children(item.ref).filter((inside) => inside.kind !== 'module');
  });
}

function looseItems(shell: OutlineShell): readonly Item[] {
  const atTop = outlineOf(shell)
    .children(null)
    .filter((item) => item.kind !== 'module' && item.kind !== 'heading');
  const outside = shell.items.filter(
    (item) => !item.placed && item.kind !== 'home-page' && item.kind !== 'announcement',
  );
  return [...atTop, ...outside];
}

/** A file that no item shows, and the ref that its item shall have. */
export interface LooseFile {
  readonly path: string;
  readonly ref: string;
}

/** An item for each file, at the end of a module; its title is the words of the file’s name. */
export function placeFiles(files: readonly LooseFile[], into: string | null): Gesture {
  if (files.length === 0) return noGesture;
  const titles = Object.fromEntries(files.map(({ path, ref }) => [ref, nameWords(path) || path]));
  const paths = Object.fromEntries(files.map(({ path, ref }) => [ref, path]));
  return [
    {
      action: 'add',
      targets: files.map(({ ref }) => ref),
      params: { kind: 'file', titles, files: paths, into, before: null },
    },
  ];
}

/** An item for each file whose name counts, or is called, as a module does, in that module: `week-3-slides.pdf`. */
export function placeFilesByNumber(shell: OutlineShell, files: readonly LooseFile[]): Gesture {
  const moduleFor = moduleReader(shell);
  const byModule = new Map<Item, LooseFile[]>();
  for (const file of files) {
    const into = moduleFor(nameWords(file.path));
    if (into) byModule.set(into, [...(byModule.get(into) ?? []), file]);
  }
  return [...byModule].flatMap(([module, some]) => placeFiles(some, module.ref));
}

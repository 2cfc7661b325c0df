import { parse, type DefaultTreeAdapterTypes } from 'parse5';
import type { Item, Shell } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';

/**
 * A student who looks into a shell at given moments, written without the code that it checks: they live through the
 * term moment by moment, do what can be done, and follow addresses that parse5 finds and `URL` resolves
 * (WHATWG HTML and URL).
 */
export interface Walk {
  readonly moment: LocalDateTime;
  readonly reached: ReadonlySet<string>;
  /** What links led to that could not be opened. */
  readonly deadEnds: ReadonlySet<string>;
}

export function walkTerm(shell: Shell, looks: readonly LocalDateTime[]): Walk[] {
  const moments = new Set<LocalDateTime>(looks);
  for (const item of shell.items) for (const date of [item.opens, item.closes]) if (date) moments.add(date);
  const before = '0000-01-01T00:00:00' as LocalDateTime;
  const done = new Set<string>();
  const walks: Walk[] = [];
  for (const moment of [before, ...[...moments].sort()]) {
    const open = openAt(shell, moment, done);
    if (looks.includes(moment)) walks.push(walkAt(shell, moment, open));
  }
  return walks;
}

/** The items whose doors are open now; what is open is done at once. */
function openAt(shell: Shell, moment: LocalDateTime, done: Set<string>): Set<string> {
  const open = new Set<string>();
  for (let isMore = true; isMore;) {
    isMore = false;
    for (const item of shell.items) {
      if (open.has(item.ref) || !isDoorOpen(shell, item, moment, done)) continue;
      open.add(item.ref);
      done.add(item.ref);
      isMore = true;
    }
  }
  return open;
}

function isDoorOpen(shell: Shell, item: Item, moment: LocalDateTime, done: ReadonlySet<string>): boolean {
  for (let at: Item | undefined = item; at; at = parentOf(shell, at)) {
    const content = shell.contents.find((one) => one.id === item.content);
    if (at.shown === false || at.staffOnly || content?.staffOnly) return false;
    if (at.opens && moment < at.opens) return false;
    if (at.closes && moment >= at.closes) return false;
    if (at.requires.some((ref) => !done.has(ref))) return false;
  }
  return true;
}

const parentOf = (shell: Shell, item: Item) => shell.items.find((one) => one.ref === item.parent);

function walkAt(shell: Shell, moment: LocalDateTime, open: ReadonlySet<string>): Walk {
  const reached = new Set<string>();
  const deadEnds = new Set<string>();
  const seenTexts = new Set<string>();
  const homes = shell.homePages.filter((home) => home.inUse).map((home) => home.ref as string);
  const toDo: { readonly text: string; readonly at: string; readonly isSheet: boolean }[] = [];
  const openText = (path: string, texts: readonly string[], isSheet: boolean) => {
    if (seenTexts.has(path)) return;
    seenTexts.add(path);
    for (const text of texts) toDo.push({ text, at: path, isSheet });
  };
  const openContent = (id: string | null) => {
    const content = shell.contents.find((one) => one.id === id);
    if (content?.textPath) openText(content.textPath, content.texts, false);
    for (const file of shell.files)
      if (file.content === id) openText(file.path, file.text === null ? [] : [file.text], true);
  };
  for (const item of shell.items) {
    const isDirect = item.placed || item.kind === 'announcement' || homes.includes(item.ref);
    if (!isDirect || !open.has(item.ref)) continue;
    reached.add(item.ref);
    openContent(item.content);
  }
  for (let one = toDo.pop(); one; one = toDo.pop())
    for (const { address, isFollowed } of addressesOf(one.text, one.isSheet, one.at)) {
      const file = shell.files.find(({ path }) => path === address);
      const content = shell.contents.find(({ textPath, id }) => textPath === address || id === file?.content);
      if (!file && !content) {
        deadEnds.add(address);
        continue;
      }
      if (file?.readableBy === 'staff') {
        deadEnds.add(address);
        continue;
      }
      const places = shell.items.filter((item) => item.content === content?.id);
      const placed = places.filter((item) => item.placed);
      const doors = placed.length > 0 ? placed : places;
      const isShut = doors.length > 0 && !doors.some((item) => open.has(item.ref));
      if (isShut && (isFollowed || !file)) {
        deadEnds.add(doors[0]?.ref ?? '');
        continue;
      }
      if (file) openText(file.path, file.text === null ? [] : [file.text], true);
      else {
        openContent(content?.id ?? null);
        for (const item of places) if (!item.placed) reached.add(item.ref);
      }
    }
  return { moment, reached, deadEnds };
}

interface Found {
  /** A path in the package. */
  readonly address: string;
  /** It is followed by a click, not shown where it stands. */
  readonly isFollowed: boolean;
}

function addressesOf(text: string, isSheet: boolean, at: string): Found[] {
  if (isSheet)
    return [...text.matchAll(/url\(([^)]*)\)/g)].map(([, value]) => ({
      address: pathOf(value ?? '', `https://package/${at}`),
      isFollowed: false,
    }));
  const elements = elementsOf(parse(text));
  const base =
    attributeOf(
      elements.find((element) => element.tagName === 'base'),
      'href',
    ) ?? '';
  const from = new URL(base, `https://package/${at}`).href;
  return elements.flatMap((element): Found[] => {
    if (element.tagName === 'base') return [];
    const href = attributeOf(element, 'href');
    const set = attributeOf(element, 'srcset')?.split(' ')[0];
    return [
      ...(href === undefined ? [] : [{ address: pathOf(href, from), isFollowed: true }]),
      ...(set === undefined ? [] : [{ address: pathOf(set, from), isFollowed: false }]),
    ];
  });
}

const pathOf = (value: string, from: string): string =>
  new URL(value.replace('$IMS-CC-FILEBASE$', 'https://package'), from).pathname.slice(1);

type Node = DefaultTreeAdapterTypes.Node;
type Element = DefaultTreeAdapterTypes.Element;

function elementsOf(node: Node): Element[] {
  const children = 'childNodes' in node ? node.childNodes.flatMap(elementsOf) : [];
  return 'tagName' in node ? [node, ...children] : children;
}

const attributeOf = (element: Element | undefined, name: string): string | undefined =>
  element?.attrs.find((attribute) => attribute.name === name)?.value;

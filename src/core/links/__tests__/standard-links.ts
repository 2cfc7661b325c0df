import { generate, parse as parseCss, walk } from 'css-tree';
import { defaultTreeAdapter, parse, type DefaultTreeAdapterTypes } from 'parse5';
import { SaxesParser } from 'saxes';
import { append } from '@/core/collect';

/**
 * What refers to what in a tree of files, worked out apart from the project's own readers: HTML by parse5 (WHATWG
 * HTML, 13.2), style sheets by css-tree (CSS Syntax), SVG by saxes (XML 1.0), addresses by Node's URL (WHATWG URL).
 */
export interface StandardLinks {
  /** `from → to` for each file that leads to another file of the tree. */
  readonly links: ReadonlySet<string>;
  /** `from → path` for each address that leads to a path that the tree does not have. */
  readonly broken: ReadonlySet<string>;
}

type Element = DefaultTreeAdapterTypes.Element;
type ParentNode = DefaultTreeAdapterTypes.ParentNode;

/** Attributes that hold an address, by element: the index of attributes of the HTML standard, obsolete ones included. */
const addressAttributes: Readonly<Record<string, readonly string[]>> = {
  a: ['href'],
  area: ['href'],
  audio: ['src'],
  blockquote: ['cite'],
  body: ['background'],
  del: ['cite'],
  embed: ['src'],
  form: ['action'],
  frame: ['src', 'longdesc'],
  iframe: ['src', 'longdesc'],
  img: ['src', 'longdesc'],
  input: ['src'],
  ins: ['cite'],
  link: ['href'],
  object: ['data'],
  q: ['cite'],
  script: ['src'],
  source: ['src'],
  table: ['background'],
  td: ['background'],
  th: ['background'],
  track: ['src'],
  video: ['src', 'poster'],
};
const origin = 'http://tree.invalid';

export function standardLinks(files: ReadonlyMap<string, Buffer>): StandardLinks {
  const links = new Set<string>();
  const broken = new Set<string>();
  const folders = new Set([...files.keys()].flatMap(foldersOf));
  for (const [from, bytes] of files)
    for (const { address, base } of addressesIn(from, bytes.toString('utf8'))) {
      const path = pathOf(address, from, base);
      if (path === null || path === from || folders.has(path)) continue;
      (files.has(path) ? links : broken).add(`${from} → ${path}`);
    }
  return { links, broken };
}

const foldersOf = (path: string): string[] =>
  path.split('/').map((_, depth, parts) => parts.slice(0, depth).join('/'));

/** The path in the tree that an address means; null for what lies outside, for folders and for rooted addresses. */
function pathOf(address: string, from: string, base: string | null): string | null {
  if (address.startsWith('/')) return null;
  const at = `${origin}/${from.split('/').map(encodeURIComponent).join('/')}`;
  if (!URL.canParse(base ?? '', at) || !URL.canParse(address, new URL(base ?? '', at).href)) return null;
  const url = new URL(address, new URL(base ?? '', at).href);
  if (url.origin !== origin) return null;
  const path = decodeURIComponent(url.pathname.slice(1)).replace(/\/{2,}/g, '/');
  return path.endsWith('/') ? null : path;
}

interface Written {
  readonly address: string;
  readonly base: string | null;
}

function addressesIn(path: string, text: string): Written[] {
  if (/\.html?$/.test(path)) return addressesOfPage(text);
  if (path.endsWith('.css')) return addressesOfSheet(text).map((address) => ({ address, base: null }));
  if (path.endsWith('.svg')) return addressesOfPicture(text).map((address) => ({ address, base: null }));
  return [];
}

function addressesOfPage(html: string): Written[] {
  const found: string[] = [];
  let base: string | null = null;
  const visit = (node: ParentNode): void => {
    for (const child of node.childNodes) {
      if (!defaultTreeAdapter.isElementNode(child)) continue;
      const href = child.tagName === 'base' ? attribute(child, 'href') : null;
      if (href !== null) base ??= href;
      append(found, addressesOfElement(child));
      visit(child);
      if ('content' in child) visit(child.content);
    }
  };
  visit(parse(html, { scriptingEnabled: false }));
  return found.map((address) => ({ address, base }));
}

function addressesOfElement(element: Element): string[] {
  const names = addressAttributes[element.tagName] ?? [];
  const plain = names.map((name) => attribute(element, name)).filter((value) => value !== null);
  const sets = attribute(element, 'srcset')?.split(',') ?? [];
  const style = attribute(element, 'style');
  const sheet = element.tagName === 'style' ? element.childNodes : [];
  return [
    ...plain.map((value) => value.trim()),
    ...sets.map((candidate) => candidate.trim().split(/\s+/)[0] ?? ''),
    ...(style === null ? [] : addressesOfSheet(`x{${style}}`)),
    ...sheet.flatMap((node) => (defaultTreeAdapter.isTextNode(node) ? addressesOfSheet(node.value) : [])),
  ];
}

const attribute = (element: Element, name: string): string | null =>
  element.attrs.find((attr) => attr.name === name)?.value ?? null;

function addressesOfSheet(css: string): string[] {
  const found: string[] = [];
  walk(parseCss(css), (node) => {
    if (node.type === 'Url') found.push(node.value);
    if (node.type !== 'Atrule' || node.name !== 'import' || node.prelude === null) return;
    const quoted = /^(["'])(.*?)\1/.exec(generate(node.prelude));
    if (quoted?.[2] !== undefined) found.push(quoted[2]);
  });
  return found;
}

function addressesOfPicture(svg: string): string[] {
  const found: string[] = [];
  const parser = new SaxesParser();
  parser.on('opentag', ({ attributes }) => {
    for (const name of ['href', 'xlink:href']) {
      const value = attributes[name];
      if (typeof value === 'string') found.push(value.trim());
    }
    const { style } = attributes;
    if (typeof style === 'string') append(found, addressesOfSheet(`x{${style}}`));
  });
  parser.write(svg).close();
  return found;
}

import { entryOf } from '@/core/entries';
import { SaxesParser, type SaxesTagNS } from 'saxes';
import { bad, good, type Result } from '@/core/shell/result';

export interface XmlAttribute {
  readonly name: string;
  readonly local: string;
  readonly prefix: string;
  readonly uri: string;
  readonly value: string;
}
export interface XmlElement {
  readonly local: string;
  readonly prefix: string;
  readonly uri: string;
  readonly attributes: readonly XmlAttribute[];
  readonly children: readonly (XmlElement | string)[];
  /** Namespace declarations made on this element, prefix to URI. */
  readonly declared: Readonly<Record<string, string>>;
  readonly line: number;
}

interface Building extends XmlElement {
  readonly children: (XmlElement | string)[];
}

const noneDeclared: Readonly<Record<string, string>> = Object.freeze({});

/** The attributes of a tag without its namespace declarations; a manifest has a hundred thousand of them, so the parser's own records serve. */
function attributesOf(tag: SaxesTagNS): XmlAttribute[] {
  const found: XmlAttribute[] = [];
  for (const [name, one] of Object.entries(tag.attributes)) {
    if (one.prefix !== 'xmlns' && name !== 'xmlns') found.push(one);
  }
  return found;
}
function declaredBy(tag: SaxesTagNS): Readonly<Record<string, string>> {
  for (const _ in tag.ns) return { ...tag.ns };
  return noneDeclared;
}

/** No document that people make is nested deeper; readers walk the tree level by level. */
const deepest = 250;

/** Parses XML with namespaces (W3C XML 1.0, Namespaces 1.0). A document type is refused: nothing in it is ever expanded. */
export function parseXml(text: string): Result<XmlElement> {
  const parser = new SaxesParser({ xmlns: true, position: true });
  const stack: Building[] = [];
  let root: XmlElement | null = null;
  let trouble: { code: string; message: string } | null = null;
  parser.on('doctype', () => {
    trouble ??= { code: 'document-type', message: 'has a document type, which is not allowed here' };
  });
  parser.on('error', (error) => {
    trouble ??= {
      code: 'not-well-formed',
      message: `is not well-formed XML (line ${parser.line}): ${error.message.replace(/^\d+:\d+:\s*/, '')}`,
    };
  });
  parser.on('opentag', (tag) => {
    if (stack.length >= deepest) {
      trouble ??= {
        code: 'too-deep',
        message: `is nested more than ${deepest} levels deep (line ${parser.line})`,
      };
      // Nothing else ends the parser: each level makes the next one slower.
      throw new Error('too deep');
    }
    const element: Building = {
      local: tag.local,
      prefix: tag.prefix,
      uri: tag.uri,
      declared: declaredBy(tag),
      attributes: attributesOf(tag),
      children: [],
      line: parser.line,
    };
    stack.at(-1)?.children.push(element);
    root ??= element;
    stack.push(element);
  });
  parser.on('closetag', () => void stack.pop());
  const addText = (t: string) => void stack.at(-1)?.children.push(t);
  parser.on('text', addText);
  parser.on('cdata', addText);
  try {
    parser.write(text.replace(/^\ufeff/, '')).close();
  } catch (error) {
    trouble ??= {
      code: 'not-well-formed',
      message: error instanceof Error ? error.message : 'is not well-formed XML',
    };
  }
  const found = trouble;
  if (found) return bad(found.code, found.message);
  return root ? good(root) : bad('not-well-formed', 'holds no XML element');
}

export const elementsOf = (element: XmlElement): XmlElement[] =>
  element.children.filter((c): c is XmlElement => typeof c !== 'string');
export function childNamed(element: XmlElement, local: string): XmlElement | undefined {
  for (const child of element.children) if (typeof child !== 'string' && child.local === local) return child;
  return undefined;
}
export const childrenNamed = (element: XmlElement, local: string): XmlElement[] =>
  element.children.filter((c): c is XmlElement => typeof c !== 'string' && c.local === local);
export function attribute(element: XmlElement, local: string): string | null {
  for (const one of element.attributes) if (one.local === local && one.prefix !== 'xml') return one.value;
  return null;
}
export function textOf(element: XmlElement | undefined): string {
  let text = '';
  for (const child of element?.children ?? []) text += typeof child === 'string' ? child : textOf(child);
  return text;
}
/** Every element below, in document order. */
export function* descendantsNamed(element: XmlElement, local: string): Generator<XmlElement> {
  for (const child of elementsOf(element)) {
    if (child.local === local) yield child;
    yield* descendantsNamed(child, local);
  }
}

const references: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  '\r': '&#13;',
  '\n': '&#10;',
  '\t': '&#9;',
};
const refer = (character: string): string => entryOf(references, character) ?? character;

export const escapeText = (text: string): string => text.replace(/[&<>\r]/g, refer);
export const escapeAttribute = (text: string): string => text.replace(/[&<>"\r\n\t]/g, refer);

/**
 * Writes an element back. Namespaces are mapped by `prefixFor`: it gives each URI the prefix that the new document
 * declares for it, empty for the document's own.
 */
export function writeXml(element: XmlElement, prefixFor: (uri: string, asked: string) => string): string {
  const named = (prefix: string, local: string) => (prefix ? `${prefix}:${local}` : local);
  const tag = named(prefixFor(element.uri, element.prefix), element.local);
  const attributes = element.attributes.map((a) => {
    const prefix = a.prefix === '' || a.prefix === 'xml' ? a.prefix : prefixFor(a.uri, a.prefix);
    return ` ${named(prefix, a.local)}="${escapeAttribute(a.value)}"`;
  });
  const inner = element.children
    .map((c) => (typeof c === 'string' ? escapeText(c) : writeXml(c, prefixFor)))
    .join('');
  return inner === '' ? `<${tag}${attributes.join('')}/>` : `<${tag}${attributes.join('')}>${inner}</${tag}>`;
}

/** A number written in a text; null where it is none. */
export function numberIn(text: string | null | undefined): number | null {
  if (text === null || text === undefined || text.trim() === '') return null;
  const n = Number(text);
  return Number.isFinite(n) ? n : null;
}

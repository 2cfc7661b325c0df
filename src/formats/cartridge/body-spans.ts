import { SaxesParser } from 'saxes';
import type { ContentKind } from '@/core/shell/model';
import { scanHtml } from '@/core/text/scan-html';
import { applyCuts, type Cut } from '@/core/text/take-out-addresses';
import { escapeAttribute, escapeText } from '../xml/parse-xml';

/** A text inside an XML body, with its place in the source, so that it can be changed and all else stays. */
export interface BodySpan {
  readonly form: 'text' | 'cdata' | 'address';
  readonly start: number;
  readonly end: number;
  /** Which text element of the document it is, 0 first; an address has none. */
  readonly ordinal: number;
  /** The decoded text; an address stands as a link, so that one scan fits all. */
  readonly text: string;
  /** For an address: the element that has it, which goes where the address does. */
  readonly element?: { readonly start: number; readonly end: number };
}

const textElements: Readonly<Partial<Record<ContentKind, ReadonlySet<string>>>> = {
  discussion: new Set(['text']),
  assignment: new Set(['text', 'instructor_text']),
  quiz: new Set(['mattext']),
  bank: new Set(['mattext']),
};
const addressAttributes: Readonly<Record<string, string>> = {
  attachment: 'href',
  matimage: 'uri',
  mataudio: 'uri',
  matvideo: 'uri',
};

/**
 * Finds the texts of a discussion topic (Common Cartridge, imsdt), an assignment (assignment extension 1.0) or a quiz
 * or bank (QTI 1.2, mattext), and the addresses of their attachments, in document order. Null for XML that can't be read.
 */
export function bodySpans(xml: string, kind: ContentKind): BodySpan[] | null {
  const names = textElements[kind];
  if (!names) return null;
  const spans: BodySpan[] = [];
  const parser = new SaxesParser({ xmlns: false, position: true });
  let failed = false;
  let open: {
    name: string;
    depth: number;
    start: number;
    text: string;
    cdata: boolean;
    plain: boolean;
  } | null = null;
  let depth = 0;
  let ordinal = -1;
  const local = (name: string) => name.slice(name.indexOf(':') + 1);
  parser.on('doctype', () => (failed = true));
  parser.on('error', () => (failed = true));
  parser.on('opentag', (tag) => {
    depth += 1;
    const name = local(tag.name);
    if (open) open.plain = false;
    else if (names.has(name)) {
      ordinal += 1;
      if (!tag.isSelfClosing)
        open = { name, depth, start: parser.position, text: '', cdata: false, plain: true };
    }
    const wanted = addressAttributes[name];
    const value = wanted === undefined ? undefined : tag.attributes[wanted];
    if (typeof value === 'string' && wanted !== undefined) {
      const from = xml.lastIndexOf('<', parser.position - 1);
      const place = new RegExp(`\\s${wanted}\\s*=\\s*(["'])([\\s\\S]*?)\\1`).exec(
        xml.slice(from, parser.position),
      );
      if (place) {
        const start = from + place.index + place[0].length - 1 - (place[2]?.length ?? 0);
        spans.push({
          form: 'address',
          ordinal: -1,
          start,
          end: start + (place[2]?.length ?? 0),
          text: `<a href="${escapeAttribute(value)}"></a>`,
          element: { start: from, end: elementEnd(xml, parser.position, tag.name, tag.isSelfClosing) },
        });
      }
    }
  });
  parser.on('text', (text) => {
    if (open) open.text += text;
  });
  parser.on('cdata', (text) => {
    if (open) {
      open.text += text;
      open.cdata = true;
    }
  });
  parser.on('closetag', () => {
    if (open && open.depth === depth) {
      const end = xml.lastIndexOf('</', parser.position - 1);
      if (open.plain)
        spans.push({ form: open.cdata ? 'cdata' : 'text', start: open.start, end, text: open.text, ordinal });
      open = null;
    }
    depth -= 1;
  });
  try {
    parser.write(xml).close();
  } catch {
    return null;
  }
  return failed ? null : spans;
}

/** Behind an element that has no content of its own: its tag, or the end tag that follows. */
function elementEnd(xml: string, tagEnd: number, name: string, isSelfClosing: boolean): number {
  if (isSelfClosing) return tagEnd;
  const close = xml.indexOf(`</${name}`, tagEnd);
  const end = close < 0 ? -1 : xml.indexOf('>', close);
  return end < 0 ? tagEnd : end + 1;
}

/** Puts changed texts back into the XML they came from; every other character stays. An attachment that went goes whole. */
export function replaceSpans(xml: string, spans: readonly BodySpan[], texts: readonly string[]): string {
  const cuts = alignTexts(spans, texts).flatMap((text, n): Cut[] => {
    const span = spans[n];
    if (!span || text === undefined || text === span.text) return [];
    if (text !== null) return [{ start: span.start, end: span.end, by: spell(span, text) }];
    return span.element ? [{ ...span.element, by: '' }] : [];
  });
  return applyCuts(xml, cuts);
}

const isLink = (text: string | undefined): boolean => /^<a href="[^"]*"><\/a>$/.test(text ?? '');

/** The text that each span has now; null for an attachment that went. Only attachments go by themselves. */
function alignTexts(spans: readonly BodySpan[], texts: readonly string[]): (string | null | undefined)[] {
  let left = spans.length - texts.length;
  let next = 0;
  return spans.map((span, n) => {
    const text = texts[next];
    const isGone = left > 0 && span.form === 'address' && !staysHere(spans, n, text);
    if (isGone) {
      left -= 1;
      return null;
    }
    next += 1;
    return text;
  });
}

/** Is this the text of an attachment, rather than that of a later one or of the text behind it? */
function staysHere(spans: readonly BodySpan[], at: number, text: string | undefined): boolean {
  if (!isLink(text)) return false;
  if (spans[at]?.text === text) return true;
  const behind = spans.slice(at + 1);
  const end = behind.findIndex((span) => span.form !== 'address');
  return !behind.slice(0, end < 0 ? undefined : end).some((span) => span.text === text);
}

function spell(span: BodySpan, text: string): string {
  switch (span.form) {
    case 'text':
      return escapeText(text);
    case 'cdata':
      return `<![CDATA[${text.replace(/]]>/g, ']]]]><![CDATA[>')}]]>`;
    case 'address':
      return escapeAttribute(scanHtml(text).addresses[0]?.value ?? '').replace(/'/g, '&#39;');
  }
}

/** The stretches of a quiz's or bank's questions (QTI 1.2, `item`), with their idents, in document order. */
export function questionSpans(
  xml: string,
): { readonly ident: string; readonly start: number; readonly end: number }[] {
  const found: { ident: string; start: number; end: number }[] = [];
  const parser = new SaxesParser({ xmlns: false, position: true });
  let open: { ident: string; start: number; depth: number } | null = null;
  let depth = 0;
  parser.on('opentag', (tag) => {
    depth += 1;
    if (!open && tag.name.slice(tag.name.indexOf(':') + 1) === 'item')
      open = {
        ident: String(tag.attributes['ident'] ?? ''),
        start: xml.lastIndexOf('<', parser.position - 1),
        depth,
      };
  });
  parser.on('closetag', () => {
    if (open?.depth === depth) {
      found.push({ ident: open.ident, start: open.start, end: parser.position });
      open = null;
    }
    depth -= 1;
  });
  parser.write(xml).close();
  return found;
}

/** The document without the questions that are not among `idents`, which stand in the document's order. */
export function withoutQuestions(xml: string, idents: readonly string[]): string {
  const left = [...idents];
  const gone = questionSpans(xml).filter((span) => {
    if (left[0] !== span.ident) return true;
    left.shift();
    return false;
  });
  return gone.reduceRight((text, span) => text.slice(0, span.start) + text.slice(span.end), xml);
}

import { entryOf } from '@/core/entries';
import { SaxesParser, type SaxesTagPlain } from 'saxes';
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
  const reader = new SpanReader(xml, names);
  const parser = new SaxesParser({ xmlns: false, position: true });
  let failed = false;
  parser.on('doctype', () => (failed = true));
  parser.on('error', () => (failed = true));
  parser.on('opentag', (tag) => reader.open(tag, parser.position));
  parser.on('text', (text) => reader.read(text, 'text'));
  parser.on('cdata', (text) => reader.read(text, 'cdata'));
  parser.on('closetag', () => reader.close(parser.position));
  try {
    parser.write(xml).close();
  } catch {
    return null;
  }
  return failed ? null : reader.spans;
}

/** A text element that is being read. */
interface OpenText {
  readonly depth: number;
  readonly start: number;
  text: string;
  form: 'text' | 'cdata';
  /** Nothing but text stands in it. */
  isPlain: boolean;
}

/** Collects the spans of a body while its tags go by; positions are offsets in the source behind the tag. */
class SpanReader {
  readonly spans: BodySpan[] = [];
  private current: OpenText | null = null;
  private depth = 0;
  private ordinal = -1;

  constructor(
    private readonly xml: string,
    private readonly textNames: ReadonlySet<string>,
  ) {}

  open(tag: SaxesTagPlain, position: number): void {
    this.depth += 1;
    const name = tag.name.slice(tag.name.indexOf(':') + 1);
    if (this.current) this.current.isPlain = false;
    else if (this.textNames.has(name)) this.openText(tag.isSelfClosing, position);
    const attribute = entryOf(addressAttributes, name);
    const value =
      attribute === undefined ? undefined : new Map(Object.entries(tag.attributes)).get(attribute);
    if (attribute !== undefined && value !== undefined) this.addAddress(tag, attribute, value, position);
  }

  private openText(isSelfClosing: boolean, position: number): void {
    this.ordinal += 1;
    if (isSelfClosing) return;
    this.current = { depth: this.depth, start: position, text: '', form: 'text', isPlain: true };
  }

  private addAddress(tag: SaxesTagPlain, attribute: string, value: string, position: number): void {
    const { xml } = this;
    const tagStart = xml.lastIndexOf('<', position - 1);
    const spelled = new RegExp(`\\s${attribute}\\s*=\\s*(["'])([\\s\\S]*?)\\1`).exec(
      xml.slice(tagStart, position),
    );
    if (!spelled) return;
    const length = spelled[2]?.length ?? 0;
    const start = tagStart + spelled.index + spelled[0].length - 1 - length;
    this.spans.push({
      form: 'address',
      ordinal: -1,
      start,
      end: start + length,
      text: `<a href="${escapeAttribute(value)}"></a>`,
      element: { start: tagStart, end: elementEnd(xml, position, tag.name, tag.isSelfClosing) },
    });
  }

  read(text: string, form: 'text' | 'cdata'): void {
    if (!this.current) return;
    this.current.text += text;
    if (form === 'cdata') this.current.form = 'cdata';
  }

  close(position: number): void {
    const { current, depth, ordinal } = this;
    this.depth -= 1;
    if (current?.depth !== depth) return;
    this.current = null;
    if (!current.isPlain) return;
    const { form, start, text } = current;
    this.spans.push({ form, start, end: this.xml.lastIndexOf('</', position - 1), text, ordinal });
  }
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

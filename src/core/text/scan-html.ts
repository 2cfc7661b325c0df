import { decodeHTML, decodeHTMLAttribute } from 'entities/decode';
import { QuoteType } from 'htmlparser2';
import { cssAddresses } from './css-addresses';
import { tokenizeHtml } from './tokenize-html';

/** One address written in a text, with the place of its raw spelling, so that it can be shown and rewritten. */
export interface WrittenAddress {
  /** The attribute's name, or `style` for CSS. */
  readonly attribute: string;
  /** The address with character references decoded and outer white space gone. */
  readonly value: string;
  /** Offsets of the raw spelling in the text, end excluded. */
  readonly start: number;
  readonly end: number;
  readonly context: 'html' | 'css';
  /** The tag's name; empty in a style sheet. */
  readonly tag: string;
}

/** A stretch of the text that is a heading, code, or quoted from somewhere; offsets in `HtmlScan.text`, end excluded. */
export interface TextMark {
  readonly is: 'heading' | 'code' | 'cite';
  readonly start: number;
  readonly end: number;
}

/** What stands in a text beside its words. */
export interface Markup {
  readonly addresses: readonly WrittenAddress[];
  /** The `href` of a `base` element, where there is one. */
  readonly base: string | null;
  readonly title: string;
  /** Alternative texts of pictures, in order. */
  readonly alts: readonly string[];
  readonly marks: readonly TextMark[];
}

export interface HtmlScan extends Markup {
  /** What a reader sees: no markup, no title element, blocks apart by a line break. */
  readonly text: string;
}

const addressAttributes = new Set([
  'href',
  'src',
  'srcset',
  'poster',
  'data',
  'action',
  'formaction',
  'cite',
  'longdesc',
  'background',
  'xlink:href',
]);
const blockTags = new Set(
  (
    'address article aside blockquote body br caption dd details div dl dt fieldset figcaption figure footer form h1 h2 h3 ' +
    'h4 h5 h6 header hr li main nav ol option p pre section summary table tbody td tfoot th thead tr ul'
  ).split(' '),
);
const markedTags: ReadonlyMap<string, TextMark['is']> = new Map([
  ...['h1', 'h2', 'h3', 'h4', 'h5', 'h6'].map((tag) => [tag, 'heading'] as const),
  ...['code', 'pre', 'kbd', 'samp'].map((tag) => [tag, 'code'] as const),
  ...['cite', 'blockquote', 'q'].map((tag) => [tag, 'cite'] as const),
]);
/** Stands between the cells of a row, and between a term and what describes it: their texts are read together. */
export const cellGap = '\v';
const silentTags = new Set(['script', 'style', 'title', 'template', 'noscript']);

interface OpenAttribute {
  name: string;
  value: string;
  start: number;
  end: number;
}

/** Reads an HTML document or fragment in one pass, the way a browser's tokenizer does (WHATWG HTML, 13.2.5). */
export function scanHtml(html: string): HtmlScan {
  const reader = new HtmlReader(html);
  let attribute: OpenAttribute | null = null;
  tokenizeHtml(html, {
    onopentagname(start, end) {
      reader.tag = html.slice(start, end).toLowerCase();
    },
    onattribname(start, end) {
      attribute = { name: html.slice(start, end).toLowerCase(), value: '', start: end, end };
    },
    onattribdata(start, end) {
      if (!attribute) return;
      const value = html.slice(start, end);
      attribute.value += value.includes('&') ? decodeHTMLAttribute(value) : value;
    },
    onattribend(quote, end) {
      if (attribute && quote !== QuoteType.NoValue) reader.attribute(spanned(html, attribute, quote, end));
      attribute = null;
    },
    onopentagend: () => reader.openTag(),
    onselfclosingtag() {
      if (!silentTags.has(reader.tag)) reader.openTag();
    },
    onclosetag: (start, end) => reader.closeTag(html.slice(start, end).toLowerCase()),
    ontext: (start, end) => reader.readText(start, end),
  });
  return reader.scan();
}

/** An attribute with the place of its value: behind the quotation mark, or behind the equals sign and blanks. */
function spanned(html: string, attribute: OpenAttribute, quote: QuoteType, end: number): OpenAttribute {
  if (quote === QuoteType.Single || quote === QuoteType.Double) {
    const mark = quote === QuoteType.Single ? "'" : '"';
    return { ...attribute, start: html.indexOf(mark, attribute.start) + 1, end: end - 1 };
  }
  const behind = html.indexOf('=', attribute.start) + 1;
  const blanks = /^\s*/.exec(html.slice(behind, end))?.[0].length ?? 0;
  return { ...attribute, start: behind + blanks, end };
}

/** What is gathered while a text is read: its words, and beside them addresses, marks and alternative texts. */
class HtmlReader {
  /** The tag that is being read. */
  tag = '';
  private readonly addresses: WrittenAddress[] = [];
  private readonly alts: string[] = [];
  private readonly marks: TextMark[] = [];
  /** Headings, code and quotations that are open, outermost first. */
  private readonly open: { readonly tag: string; readonly start: number }[] = [];
  private readonly pieces: string[] = [];
  private length = 0;
  private title = '';
  private base: string | null = null;
  /** The element whose text nobody reads. */
  private silent: string | null = null;
  /** Whether the row has a cell already, and the list a term. */
  private hasCell = false;
  private hasTerm = false;

  constructor(private readonly html: string) {}

  scan(): HtmlScan {
    const { addresses, base, alts, marks } = this;
    return { text: this.pieces.join(''), addresses, base, title: this.title.trim(), alts, marks };
  }

  openTag(): void {
    const { tag } = this;
    if (blockTags.has(tag)) this.say(this.gapBefore(tag));
    if (markedTags.has(tag) && this.silent === null) {
      // A heading that begins inside another ends it.
      if (markedTags.get(tag) === 'heading') this.closeMark(tag);
      if (this.open.length < 32) this.open.push({ tag, start: this.length });
    }
    if (this.silent === null && silentTags.has(tag)) this.silent = tag;
  }

  /** A cell behind another one, and a description behind its term, go on where that ends. */
  private gapBefore(tag: string): string {
    const isCell = tag === 'td' || tag === 'th';
    const goesOn = isCell ? this.hasCell : tag === 'dd' && this.hasTerm;
    if (isCell || tag === 'tr') this.hasCell = isCell;
    if (tag === 'dt' || tag === 'dl') this.hasTerm = tag === 'dt';
    return goesOn ? cellGap : '\n';
  }

  closeTag(name: string): void {
    if (this.open.length && markedTags.has(name)) this.closeMark(name);
    if (this.silent === name) this.silent = null;
    else if (blockTags.has(name)) this.say('\n');
  }

  attribute({ name, value, start, end }: OpenAttribute): void {
    const { tag } = this;
    if (name === 'alt') {
      if (value.trim()) this.alts.push(value.trim());
    } else if (name === 'style') {
      this.addAll(name, 'css', cssAddresses(this.html.slice(start, end)), start);
    } else if (name === 'srcset' || name === 'imagesrcset') {
      this.addAll(name, 'html', srcsetAddresses(this.html.slice(start, end)), start);
    } else if (name === 'href' && tag === 'base') {
      this.base ??= value.trim();
    } else if (name === 'data' ? tag === 'object' : addressAttributes.has(name)) {
      this.addresses.push({ attribute: name, tag, value: value.trim(), start, end, context: 'html' });
    }
  }

  readText(start: number, end: number): void {
    const text = this.html.slice(start, end);
    if (this.silent === 'style') this.addAll('style', 'css', cssAddresses(text), start);
    else this.say(this.words(text));
  }

  /** A line break in the source is a space, unless the text is set as it is: only blocks begin a new line. A line break written as a reference stays one. */
  private words(text: string): string {
    const isSetAsItIs = !text.includes('\n') || this.open.some((o) => o.tag === 'pre');
    const line = isSetAsItIs ? text : text.replace(/\n/g, ' ');
    return line.includes('&') ? decodeHTML(line) : line;
  }

  private say(text: string): void {
    if (this.silent === 'title') this.title += text;
    if (this.silent !== null) return;
    this.pieces.push(text);
    this.length += text.length;
  }

  private addAll(attribute: string, context: 'html' | 'css', spots: readonly Spot[], by: number): void {
    for (const spot of spots) this.addresses.push({ attribute, tag: this.tag, context, ...shift(spot, by) });
  }

  private closeMark(name: string): void {
    // The end of any heading ends the one that is open (WHATWG HTML, 13.2.6.4.7).
    const is = markedTags.get(name);
    const at = this.open.findLastIndex((o) =>
      is === 'heading' ? markedTags.get(o.tag) === 'heading' : o.tag === name,
    );
    const begun = this.open[at];
    if (is === undefined || begun === undefined) return;
    this.marks.push({ is, start: begun.start, end: this.length });
    this.open.length = at;
  }
}

type Spot = { value: string; start: number; end: number };
const shift = (found: Spot, by: number): Spot => ({
  value: found.value,
  start: found.start + by,
  end: found.end + by,
});

/** The addresses of a `srcset` (WHATWG HTML, 4.8.4.2.1): each candidate's first word. */
export function srcsetAddresses(value: string): Spot[] {
  const found: Spot[] = [];
  const blank = /\s/;
  for (let at = 0; at < value.length;) {
    while (at < value.length && (value[at] === ',' || blank.test(value.charAt(at)))) at += 1;
    const start = at;
    while (at < value.length && !blank.test(value.charAt(at))) at += 1;
    let end = at;
    while (end > start && value[end - 1] === ',') end -= 1;
    if (end > start) found.push({ value: value.slice(start, end).replace(/&amp;/g, '&'), start, end });
    // Without a comma behind the address, descriptors follow up to the next one.
    if (end === at) {
      const comma = value.indexOf(',', at);
      at = comma < 0 ? value.length : comma;
    }
  }
  return found;
}

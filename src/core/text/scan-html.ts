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
  'href', 'src', 'srcset', 'poster', 'data', 'action', 'formaction', 'cite', 'longdesc', 'background', 'xlink:href',
]); // prettier-ignore
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
const silentTags = new Set(['script', 'style', 'title', 'template', 'noscript']);

interface OpenAttribute {
  name: string;
  value: string;
  start: number;
  end: number;
}

/** Reads an HTML document or fragment in one pass, the way a browser's tokenizer does (WHATWG HTML, 13.2.5). */
export function scanHtml(html: string): HtmlScan {
  const addresses: WrittenAddress[] = [];
  const pieces: string[] = [];
  let length = 0;
  const alts: string[] = [];
  const marks: TextMark[] = [];
  const open: { tag: string; start: number }[] = [];
  let title = '';
  let base: string | null = null;
  let tag = '';
  let silent: string | null = null;
  let attribute: OpenAttribute | null = null;

  const say = (text: string) => {
    if (silent === 'title') title += text;
    else if (silent === null) {
      pieces.push(text);
      length += text.length;
    }
  };
  const openTag = () => {
    if (blockTags.has(tag)) say('\n');
    if (markedTags.has(tag) && silent === null) {
      // A heading that begins inside another ends it.
      if (markedTags.get(tag) === 'heading') closeMark(tag);
      if (open.length < 32) open.push({ tag, start: length });
    }
    if (silent === null && silentTags.has(tag)) silent = tag;
  };
  const closeAttribute = () => {
    if (!attribute) return;
    const { name, value, start, end } = attribute;
    if (name === 'alt') {
      if (value.trim()) alts.push(value.trim());
    } else if (name === 'style') {
      for (const found of cssAddresses(html.slice(start, end)))
        addresses.push({ attribute: name, tag, context: 'css', ...shift(found, start) });
    } else if (name === 'srcset' || name === 'imagesrcset') {
      for (const found of srcsetAddresses(html.slice(start, end)))
        addresses.push({ attribute: name, tag, context: 'html', ...shift(found, start) });
    } else if (name === 'data' ? tag === 'object' : addressAttributes.has(name)) {
      if (name === 'href' && tag === 'base') {
        base ??= value.trim();
        return;
      }
      addresses.push({ attribute: name, tag, value: value.trim(), start, end, context: 'html' });
    }
  };

  /** A line break in the source is a space, unless the text is set as it is: only blocks begin a new line. A line break written as a reference stays one. */
  const read = (text: string) => {
    const line = text.includes('\n') && !open.some((o) => o.tag === 'pre') ? text.replace(/\n/g, ' ') : text;
    return line.includes('&') ? decodeHTML(line) : line;
  };
  const closeMark = (name: string) => {
    // The end of any heading ends the one that is open (WHATWG HTML, 13.2.6.4.7).
    const is = markedTags.get(name);
    const at = open.findLastIndex((o) =>
      is === 'heading' ? markedTags.get(o.tag) === 'heading' : o.tag === name,
    );
    if (at < 0) return;
    marks.push({ is: is!, start: open[at]!.start, end: length });
    open.length = at;
  };

  tokenizeHtml(html, {
    onopentagname(start, end) {
      tag = html.slice(start, end).toLowerCase();
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
      if (attribute && quote !== QuoteType.NoValue) {
        const quoted = quote === QuoteType.Single || quote === QuoteType.Double;
        const opening = quoted
          ? html.indexOf(quote === QuoteType.Single ? "'" : '"', attribute.start) + 1
          : html.indexOf('=', attribute.start) + 1;
        attribute.start = quoted
          ? opening
          : opening + (/^\s*/.exec(html.slice(opening, end))?.[0].length ?? 0);
        attribute.end = quoted ? end - 1 : end;
        closeAttribute();
      }
      attribute = null;
    },
    onopentagend: openTag,
    onselfclosingtag() {
      if (silentTags.has(tag)) return;
      openTag();
    },
    onclosetag(start, end) {
      const name = html.slice(start, end).toLowerCase();
      if (open.length && markedTags.has(name)) closeMark(name);
      if (silent === name) silent = null;
      else if (blockTags.has(name)) say('\n');
    },
    ontext(start, end) {
      if (silent === 'style') {
        for (const found of cssAddresses(html.slice(start, end)))
          addresses.push({ attribute: 'style', tag, context: 'css', ...shift(found, start) });
      } else say(read(html.slice(start, end)));
    },
  });
  return { text: pieces.join(''), addresses, base, title: title.trim(), alts, marks };
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
    while (at < value.length && (value[at] === ',' || blank.test(value[at]!))) at += 1;
    const start = at;
    while (at < value.length && !blank.test(value[at]!)) at += 1;
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

import { QuoteType } from 'htmlparser2';
import { tokenizeHtml } from './tokenize-html';

/** One attribute of a tag; offsets in the text, end excluded. `start` to `end` is the whole attribute, quotes included. */
export interface TagAttribute {
  readonly name: string;
  readonly start: number;
  readonly end: number;
}
/** An opening tag from its `<` to behind its `>`. */
export interface OpenTag {
  readonly name: string;
  readonly start: number;
  readonly end: number;
  readonly attributes: readonly TagAttribute[];
}

/** The opening tags of a text with their spans, as a browser's tokenizer parses them (WHATWG HTML, 13.2.5). */
export function openTagsOf(html: string): OpenTag[] {
  const tags: OpenTag[] = [];
  let name = '';
  let start = 0;
  let attributes: TagAttribute[] = [];
  let attribute: { name: string; start: number } | null = null;
  const close = (end: number) => {
    tags.push({ name, start, end: end + 1, attributes });
    attributes = [];
  };
  tokenizeHtml(html, {
    onopentagname(from, to) {
      name = html.slice(from, to).toLowerCase();
      start = from - 1;
      attributes = [];
    },
    onattribname(from, to) {
      attribute = { name: html.slice(from, to).toLowerCase(), start: from };
    },
    onattribend(quote, end) {
      if (attribute) attributes.push({ ...attribute, end: attributeEnd(html, quote, end) });
      attribute = null;
    },
    onopentagend: close,
    onselfclosingtag: close,
  });
  return tags;
}

/** The tokenizer counts the closing quote in its end, or not, by its version; the attribute ends behind it. */
function attributeEnd(html: string, quote: QuoteType, end: number): number {
  if (quote !== QuoteType.Single && quote !== QuoteType.Double) return end;
  const mark = quote === QuoteType.Single ? "'" : '"';
  return html[end - 1] === mark ? end : end + 1;
}

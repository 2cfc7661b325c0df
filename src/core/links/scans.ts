import { elementAt } from '@/core/sure';
import type { Content, PackageEntry, ShellFile } from '@/core/shell/model';
import { cssAddresses } from '@/core/text/css-addresses';
import { readTexts, type BodyReading, type TextReading } from '@/core/text/read-texts';
import { scanHtml, type HtmlScan, type Markup } from '@/core/text/scan-html';
import type { Wording } from '@/core/text/wording';

/** A text of a content as it was read. Its words are not kept, since few are ever shown and all of them fill the memory; the last asked for stay at hand. */
export class ContentText implements HtmlScan {
  constructor(
    private readonly html: string,
    private readonly reading: TextReading,
  ) {}

  /** Itself as plain data, to be kept. */
  asReading(): TextReading {
    return this.reading;
  }
  get text(): string {
    return recentText(this, this.html);
  }
  get addresses() {
    return this.reading.markup.addresses;
  }
  get base() {
    return this.reading.markup.base;
  }
  get title() {
    return this.reading.markup.title;
  }
  get alts() {
    return this.reading.markup.alts;
  }
  get marks() {
    return this.reading.markup.marks;
  }
  get blank() {
    return this.reading.blank;
  }
  get mentions() {
    return this.reading.mentions;
  }
}

const mostRecent = 64;
const recent = new Map<ContentText, string>();

function recentText(scan: ContentText, html: string): string {
  const known = recent.get(scan);
  if (known !== undefined) return known;
  const { text } = scanHtml(html);
  const oldest = recent.keys().next().value;
  if (recent.size >= mostRecent && oldest !== undefined) recent.delete(oldest);
  recent.set(scan, text);
  return text;
}

interface ReadContent {
  readonly texts: readonly ContentText[];
  readonly wording: Wording;
}
const contents = new WeakMap<Content, ReadContent>();

function keep(content: Content, reading: BodyReading): ReadContent {
  const read = {
    texts: reading.texts.map((r, i) => new ContentText(elementAt(content.texts, i), r)),
    wording: reading.wording,
  };
  contents.set(content, read);
  return read;
}

/** Each content is read once, and a later audit of the same value finds it here. */
const readOf = (content: Content): ReadContent =>
  contents.get(content) ?? keep(content, readTexts(content.texts));

/** Takes over what another thread read in the texts of a content. */
export const adoptReading = (content: Content, reading: BodyReading): void => void keep(content, reading);

/** What was read in the texts of a content, as plain data; null where nobody has read them. */
export function readingOf(content: Content): BodyReading | null {
  const read = contents.get(content);
  return read ? { texts: read.texts.map((text) => text.asReading()), wording: read.wording } : null;
}

export const scansOfContent = (content: Content): readonly ContentText[] => readOf(content).texts;

/** What the content’s texts are compared by. */
export const wordingOf = (content: Content): Wording => readOf(content).wording;

/** What a reader sees of a content, its texts in order; nothing of what is not there. */
export function textOfContent(content: Content | undefined): string {
  if (!content) return '';
  const scans = scansOfContent(content);
  return scans.length === 1 ? elementAt(scans, 0).text : scans.map((s) => s.text).join('\n');
}

const kept = new WeakMap<object, Markup>();

/** Scans a file or entry once per immutable value. */
function once(owner: object, scan: () => Markup): Markup {
  const known = kept.get(owner);
  if (known) return known;
  const scanned = scan();
  kept.set(owner, scanned);
  return scanned;
}

const markupOf = (html: string): Markup => {
  const { text: _, ...markup } = scanHtml(html);
  return markup;
};

const scanCss = (css: string): Markup => ({
  title: '',
  base: null,
  alts: [],
  marks: [],
  addresses: cssAddresses(css).map((found) => ({
    ...found,
    attribute: 'style',
    tag: '',
    context: 'css' as const,
  })),
});

export function scanOfFile(file: ShellFile): Markup | null {
  const { text } = file;
  return text === null
    ? null
    : once(file, () => (file.mediaType === 'text/css' ? scanCss(text) : markupOf(text)));
}

/**
 * Scans an entry whose format nobody here knows: addresses in its attributes, and those in HTML that it carries
 * as escaped text. The latter have no offsets (-1): they are counted as links and never rewritten.
 */
export function scanOfEntry(entry: PackageEntry): Markup | null {
  const { text } = entry;
  if (text === null) return null;
  return once(entry, () => {
    const outer = markupOf(text);
    const inner = /&lt;|<!\[CDATA\[/.test(text) ? markupOf(unescapeMarkup(text)) : null;
    const addresses = inner ? [...outer.addresses, ...inner.addresses] : outer.addresses;
    return { ...outer, addresses: addresses.map((a) => ({ ...a, start: -1, end: -1 })) };
  });
}

const unescapeMarkup = (text: string): string =>
  text
    .replace(/<!\[CDATA\[|\]\]>/g, '')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&amp;/g, '&');

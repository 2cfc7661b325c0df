import type { Content, PackageEntry, ShellFile } from '@/core/shell/model';
import { cssAddresses } from '@/core/text/css-addresses';
import { scanHtml, type HtmlScan } from '@/core/text/scan-html';

const kept = new WeakMap<object, readonly HtmlScan[]>();

/** Scans every text once per immutable value; a later audit of the same value finds it here. */
function once(owner: object, scan: () => readonly HtmlScan[]): readonly HtmlScan[] {
  const known = kept.get(owner);
  if (known) return known;
  const made = scan();
  kept.set(owner, made);
  return made;
}

const scanCss = (css: string): HtmlScan => ({
  text: '',
  title: '',
  base: null,
  alts: [],
  marks: [],
  addresses: cssAddresses(css).map((found) => ({ ...found, attribute: 'style', tag: '', context: 'css' as const })),
});

export const scansOfContent = (content: Content): readonly HtmlScan[] => once(content, () => content.texts.map(scanHtml));

export const scanOfFile = (file: ShellFile): HtmlScan | null =>
  file.text === null
    ? null
    : (once(file, () => [file.mediaType === 'text/css' ? scanCss(file.text ?? '') : scanHtml(file.text ?? '')])[0] ?? null);

/**
 * Scans an entry whose format nobody here knows: addresses in its attributes, and those in HTML that it carries
 * as escaped text. The latter have no offsets (-1): they are counted as links and never rewritten.
 */
export const scanOfEntry = (entry: PackageEntry): HtmlScan | null =>
  entry.text === null
    ? null
    : (once(entry, () => {
        const outer = scanHtml(entry.text ?? '');
        const inner = /&lt;|<!\[CDATA\[/.test(entry.text ?? '') ? scanHtml(unescapeMarkup(entry.text ?? '')) : null;
        const addresses = inner ? [...outer.addresses, ...inner.addresses] : outer.addresses;
        return [{ ...outer, addresses: addresses.map((a) => ({ ...a, start: -1, end: -1 })) }];
      })[0] ?? null);

const unescapeMarkup = (text: string): string =>
  text
    .replace(/<!\[CDATA\[|\]\]>/g, '')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&amp;/g, '&');

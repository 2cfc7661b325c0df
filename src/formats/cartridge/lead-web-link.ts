import { SaxesParser } from 'saxes';
import { escapeAttribute } from '../xml/parse-xml';

/** Where the address of a web link stands in its file (Common Cartridge, imswl: `url href`), and what it says. */
interface LinkSpan {
  readonly start: number;
  readonly end: number;
  readonly address: string;
}

/** The file of a web link with another address; all else stays as it is. */
export function leadWebLink(xml: string, address: string): string {
  const span = linkSpan(xml);
  if (!span || span.address === address) return xml;
  const spelled = escapeAttribute(address).replace(/'/g, '&#39;');
  return xml.slice(0, span.start) + spelled + xml.slice(span.end);
}

function linkSpan(xml: string): LinkSpan | null {
  const parser = new SaxesParser({ xmlns: false, position: true });
  let span: LinkSpan | null = null;
  parser.on('error', () => {});
  parser.on('opentag', (tag) => {
    const name = tag.name.slice(tag.name.indexOf(':') + 1);
    const address = tag.attributes['href'];
    if (span !== null || name !== 'url' || typeof address !== 'string') return;
    const from = xml.lastIndexOf('<', parser.position - 1);
    const place = /\shref\s*=\s*(["'])([\s\S]*?)\1/.exec(xml.slice(from, parser.position));
    const raw = place?.[2];
    if (!place || raw === undefined) return;
    const start = from + place.index + place[0].length - 1 - raw.length;
    span = { start, end: start + raw.length, address };
  });
  parser.write(xml).close();
  return span;
}

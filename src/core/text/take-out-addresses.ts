import { withoutEnd } from './without-end';
import { openTagsOf, type OpenTag, type TagAttribute } from './open-tags';
import type { WrittenAddress } from './scan-html';

/** A stretch of a text and what stands there instead. */
export interface Cut {
  readonly start: number;
  readonly end: number;
  readonly by: string;
}

/** Elements that are nothing without their address: they go whole. */
const emptyWithout = new Set(['img', 'source', 'embed', 'track', 'link', 'input']);

/**
 * Takes addresses out of a text, each with what it belongs to: a link’s words stay, a picture goes, a set of pictures
 * loses the one, a style sheet its import. Spans are those of the parsed tag, so that nothing is left of it.
 */
export function takeOutAddresses(text: string, addresses: readonly WrittenAddress[], isCss: boolean): string {
  const tags = isCss ? [] : openTagsOf(text);
  return applyCuts(text, [...cutsOf(text, addresses, tags)]);
}

function* cutsOf(
  text: string,
  addresses: readonly WrittenAddress[],
  tags: readonly OpenTag[],
): Generator<Cut> {
  const bySet = new Map<TagAttribute, WrittenAddress[]>();
  for (const address of addresses) {
    const tag = tags.find((t) => t.start <= address.start && address.end <= t.end);
    const attribute = tag?.attributes.find((a) => a.start <= address.start && address.end <= a.end);
    if (address.context === 'css') yield styleCut(text, address);
    else if (tag && attribute && /srcset$/.test(address.attribute)) {
      const others = bySet.get(attribute);
      if (others) others.push(address);
      else bySet.set(attribute, [address]);
    } else if (tag && emptyWithout.has(tag.name)) yield { start: tag.start, end: tag.end, by: '' };
    else if (attribute) yield withSpaceBefore(text, attribute);
  }
  for (const [attribute, going] of bySet) yield* setCuts(text, attribute, going);
}

/** An attribute and the white space before it. */
function withSpaceBefore(text: string, { start, end }: { start: number; end: number }): Cut {
  let from = start;
  while (from > 0 && /\s/.test(text[from - 1] ?? '')) from -= 1;
  return { start: from, end, by: '' };
}

/** The candidates of a `srcset` that go; the whole attribute where none is left (WHATWG HTML, 4.8.4.2.1). */
function setCuts(text: string, attribute: TagAttribute, going: readonly WrittenAddress[]): Cut[] {
  const last = text[attribute.end - 1] ?? '';
  const valueEnd = last === '"' || last === "'" ? attribute.end - 1 : attribute.end;
  const cuts = going.map(({ start, end }): Cut => {
    const comma = text.slice(end, valueEnd).indexOf(',');
    return { start, end: comma < 0 ? valueEnd : end + comma + 1, by: '' };
  });
  const left = applyCuts(
    text.slice(0, valueEnd),
    cuts.filter((cut) => cut.start < valueEnd),
  ).slice(attribute.start);
  const value = left.slice(left.indexOf('=') + 1).replace(/^\s*["']?/, '');
  if (/^[\s,]*$/.test(value)) return [withSpaceBefore(text, attribute)];
  // A comma that now ends the list goes with the candidate behind it.
  const trailing = /,\s*$/.test(left);
  const first = cuts.reduce((a, b) => (a.start < b.start ? a : b));
  if (!trailing) return cuts;
  const before = withoutEnd(text.slice(attribute.start, first.start), ' \t\r\n\f,').length + attribute.start;
  return [...cuts.filter((cut) => cut !== first), { ...first, start: before }];
}

/** An import goes as a whole; any other `url()` becomes `none` (CSS Cascading 4, 2; CSS Values 4, 4.5). */
function styleCut(text: string, { start, end }: WrittenAddress): Cut {
  const before = text.slice(Math.max(0, start - 300), start);
  const rule = /@import\s+(?:url\(\s*)?["']?$/i.exec(before);
  if (rule) {
    const semicolon = text.slice(end).search(/[;}]/);
    const to = semicolon < 0 ? text.length : end + semicolon + (text[end + semicolon] === ';' ? 1 : 0);
    return { start: start - rule[0].length, end: to, by: '' };
  }
  const head = /url\(\s*(?:["']|&quot;|&#39;)?$/i.exec(before);
  const tail = /^(?:["']|&quot;|&#39;)?\s*\)/.exec(text.slice(end, end + 300));
  return {
    start: start - (head?.[0].length ?? 0),
    end: end + (tail?.[0].length ?? 0),
    by: head && tail ? 'none' : '',
  };
}

/** Puts cuts into a text. One that begins inside another is part of it. */
export function applyCuts(text: string, cuts: readonly Cut[]): string {
  const sorted = [...cuts].sort((a, b) => a.start - b.start || b.end - a.end);
  const parts: string[] = [];
  let at = 0;
  for (const { start, end, by } of sorted) {
    if (start < at) continue;
    parts.push(text.slice(at, start), by);
    at = end;
  }
  return parts.join('') + text.slice(at);
}

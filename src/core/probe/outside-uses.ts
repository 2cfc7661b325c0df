import { collect } from '@/core/collect';
import { linkGraphOf } from '@/core/links/graph';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import { readWebAddress } from '@/core/links/web-address';
import { joiningLinks, joins } from '@/core/time/joining-links';
import type { Content, Shell } from '@/core/shell/model';
import type { ContentId } from '@/core/refs/refs';

/** A place from which an address leads out of the shell. */
export interface OutsideUse {
  /** As it is asked; see `askedAddress`. */
  readonly url: string;
  /** As it is written there, character references decoded. */
  readonly written: string;
  /** False where only the page’s base makes it an address outside, or where it can’t be rewritten. */
  readonly isAsWritten: boolean;
  readonly by: { readonly type: 'item' | 'file' | 'event'; readonly ref: string };
  /** `target`: the item is a link and nothing else. */
  readonly form: 'text' | 'target' | 'event';
  /** Is it an address by which a meeting is joined? */
  readonly isMeeting: boolean;
}

/**
 * An address as it is asked: http and https only, without the fragment, which no server sees (RFC 9110, 7.1), and
 * without name and secret, which are sent nowhere. Null for what is no such address.
 */
export function askedAddress(written: string): string | null {
  const url = readWebAddress(written);
  if (!url || !/^https?:$/.test(url.protocol) || url.hostname === '') return null;
  url.hash = '';
  url.username = '';
  url.password = '';
  return url.href;
}

/** Nobody follows these, or only with what they filled in (WHATWG HTML, 4.4.4 and 4.10.19.6). */
const notFollowed: ReadonlySet<string> = new Set(['cite', 'action', 'formaction']);

const known = new WeakMap<readonly Content[], { shell: Shell; uses: readonly OutsideUse[] }>();

/** Every address outside that items, their files and events lead to, each use of it; kept as long as the shell is the same. */
export function outsideUses(shell: Shell): readonly OutsideUse[] {
  const kept = known.get(shell.contents);
  if (kept?.shell === shell) return kept.uses;
  const uses = [...usesInItems(shell), ...usesInFiles(shell), ...usesInEvents(shell)];
  known.set(shell.contents, { shell, uses });
  return uses;
}

function* usesInItems(shell: Shell): Generator<OutsideUse> {
  const contents = new Map(shell.contents.map((content) => [content.id, content]));
  const seen = new Set<ContentId>();
  for (const item of shell.items) {
    const content = item.content === null ? undefined : contents.get(item.content);
    if (!content || seen.has(content.id)) continue;
    seen.add(content.id);
    const by = { type: 'item', ref: item.ref } as const;
    // A tool is launched with a signed form, so asking its address for a page says nothing about it.
    if (content.kind === 'web-link' && content.target !== null) {
      const url = askedAddress(content.target);
      if (url !== null)
        yield { url, written: content.target, isAsWritten: true, by, form: 'target', isMeeting: joins(url) };
    }
    yield* usesInTexts(shell, content, by);
  }
}

function* usesInTexts(shell: Shell, content: Content, by: OutsideUse['by']): Generator<OutsideUse> {
  const { textPath } = content;
  if (textPath === null) return;
  const { read } = linkGraphOf(shell);
  for (const scan of scansOfContent(content)) {
    for (const { value, start, attribute } of scan.addresses) {
      if (notFollowed.has(attribute)) continue;
      const meaning = read(value, textPath, scan.base);
      if (meaning.to !== 'outside') continue;
      const url = askedAddress(meaning.url);
      if (url === null) continue;
      const isAsWritten = start >= 0 && meaning.url === value;
      yield { url, written: value, isAsWritten, by, form: 'text', isMeeting: joins(url) };
    }
  }
}

function* usesInFiles(shell: Shell): Generator<OutsideUse> {
  const { read } = linkGraphOf(shell);
  for (const file of shell.files) {
    const scan = scanOfFile(file);
    for (const { value, start, attribute } of scan?.addresses ?? []) {
      if (notFollowed.has(attribute)) continue;
      const meaning = read(value, file.path, scan?.base ?? null);
      if (meaning.to !== 'outside') continue;
      const url = askedAddress(meaning.url);
      if (url === null) continue;
      const by = { type: 'file', ref: file.path } as const;
      const isAsWritten = start >= 0 && meaning.url === value;
      yield { url, written: value, isAsWritten, by, form: 'text', isMeeting: joins(url) };
    }
  }
}

function* usesInEvents(shell: Shell): Generator<OutsideUse> {
  for (const event of shell.events) {
    const joining = new Set(joiningLinks(event));
    for (const written of event.links) {
      const url = askedAddress(written);
      const by = { type: 'event', ref: event.ref } as const;
      const isMeeting = joining.has(written);
      if (url !== null) yield { url, written, isAsWritten: true, by, form: 'event', isMeeting };
    }
  }
}

/** An address to ask, and where it leads out of the shell. */
export interface OutsideLink {
  readonly url: string;
  readonly isMeeting: boolean;
  readonly uses: readonly OutsideUse[];
}

/** The addresses to ask, each once, in the order in which they stand. */
export function outsideLinks(shell: Shell): readonly OutsideLink[] {
  const byUrl = new Map<string, OutsideUse[]>();
  for (const use of outsideUses(shell)) collect(byUrl, use.url, use);
  return [...byUrl].map(([url, uses]) => ({ url, uses, isMeeting: uses.some((use) => use.isMeeting) }));
}

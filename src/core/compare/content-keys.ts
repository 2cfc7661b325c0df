import type { LinkGraph } from '@/core/links/graph';
import { scansOfContent, wordingOf } from '@/core/links/scans';
import { webAddressKey } from '@/core/links/web-address';
import { digest, fingerprint } from '@/core/shell/digest';
import type { Content, Item, Shell } from '@/core/shell/model';
import type { ContentId } from '@/core/shell/refs';
import { titleKey } from '@/core/text/normalise';

/** Keys that are equal where two items say the same. */
export interface ContentKeys {
  /** Normalised text, link targets and points; null for a module, a heading and for what has no content at all. */
  of(item: Item): string | null;
  /** As `of`, but a link to another page counts by that page's title: what two imports of one page share although each links to its own neighbours. */
  looseOf(item: Item): string | null;
  words(item: Item): number;
  /** What an item says, wherever it stands: a Leave be lives on by it. */
  substance(item: Item): string;
}

interface BodyKey {
  readonly key: string | null;
  readonly loose: string | null;
}

/**
 * Link targets are compared by what stands there: a picture by its bytes, a page by its text. So two imports of one
 * page are equal although each links to its own copy of the same picture.
 */
export function contentKeys(shell: Shell, graph: LinkGraph): ContentKeys {
  const contents = new Map(shell.contents.map((c) => [c.id, c]));
  const fileByPath = new Map(shell.files.map((f) => [f.path as string, f]));
  const entryByPath = new Map(shell.entries.map((e) => [e.path as string, e]));
  const bodies = new Map<ContentId, BodyKey>();
  const mainFile = (content: Content) => {
    const path = content.href ?? content.files[0];
    return path === undefined
      ? null
      : (fileByPath.get(path)?.sha256 ?? entryByPath.get(path)?.sha256 ?? null);
  };
  // A page that many link to is asked for with every link.
  const plain = new Map<ContentId, string>();
  const plainKey = (content: Content): string => {
    const known = plain.get(content.id);
    if (known !== undefined) return known;
    const made = makePlainKey(content);
    plain.set(content.id, made);
    return made;
  };
  const makePlainKey = (content: Content): string => {
    switch (content.kind) {
      case 'file':
      case 'other':
        return `bytes ${mainFile(content) ?? content.id}`;
      case 'web-link':
      case 'tool-link':
        return `address ${webAddressKey(content.target ?? '')}`;
      case 'page':
      case 'assignment':
      case 'quiz':
      case 'discussion':
      case 'bank':
        return `text ${fingerprint(content.kind, wordingOf(content).digest ?? '')}`;
    }
  };
  /** What each address leads to, in order: by what stands there, and loosely by the title of a page. */
  const targetKeys = (content: Content): { readonly exact: string[]; readonly loose: string[] } => {
    const exact: string[] = [];
    const loose: string[] = [];
    const at = content.textPath;
    if (!at) return { exact, loose };
    const both = (key: string) => {
      exact.push(key);
      loose.push(key);
    };
    for (const scan of scansOfContent(content))
      for (const address of scan.addresses) {
        const meaning = graph.read(address.value, at, scan.base);
        if (meaning.to === 'outside') both(webAddressKey(address.value));
        else if (meaning.to !== 'package') both(address.value);
        else if (meaning.found === null) both(`missing ${meaning.asked}`);
        else {
          const bytes = fileByPath.get(meaning.found)?.sha256;
          const node = bytes ? null : graph.nodeOfPath(meaning.found);
          const page = node?.startsWith('content:') ? contents.get(node.slice(8) as ContentId) : undefined;
          if (page) {
            exact.push(plainKey(page));
            loose.push(`titled ${page.kind} ${titleKey(page.title)}`);
          } else both(bytes ? `bytes ${bytes}` : `path ${meaning.found}`);
        }
      }
    return { exact, loose };
  };
  const bodyOf = (content: Content): BodyKey => {
    const known = bodies.get(content.id);
    if (known) return known;
    const text = wordingOf(content).digest;
    const { exact, loose } = targetKeys(content);
    const bodyKey = (list: readonly string[]) =>
      text === null && list.length === 0
        ? null
        : digest([text ?? '', content.answerKey, ...list].join('\u0000'));
    const hasBody = content.texts.length > 0 || content.textPath !== null;
    const made: BodyKey = !hasBody
      ? { key: plainKey(content), loose: plainKey(content) }
      : { key: bodyKey(exact), loose: bodyKey(loose) };
    bodies.set(content.id, made);
    return made;
  };
  const keyOf = (item: Item, which: 'key' | 'loose'): string | null => {
    const content = item.content === null ? undefined : contents.get(item.content);
    if (!content) return null;
    const key = bodyOf(content)[which];
    return key === null ? null : fingerprint(item.kind, key, String(item.points ?? content.points ?? ''));
  };
  // Many checks ask for the keys of all items.
  const oncePerItem = (which: 'key' | 'loose') => {
    const known = new Map<Item, string | null>();
    return (item: Item): string | null => {
      let key = known.get(item);
      if (key === undefined) known.set(item, (key = keyOf(item, which)));
      return key;
    };
  };
  const of = oncePerItem('key');
  return {
    of,
    looseOf: oncePerItem('loose'),
    words(item) {
      const content = item.content === null ? undefined : contents.get(item.content);
      if (!content || (content.texts.length === 0 && content.textPath === null)) return 0;
      return wordingOf(content).words;
    },
    substance: (item) => fingerprint(item.kind, titleKey(item.title), of(item) ?? ''),
  };
}

import type { LinkGraph } from '@/core/links/graph';
import { scansOfContent, wordingOf } from '@/core/links/scans';
import { webAddressKey } from '@/core/links/web-address';
import { digest, fingerprint } from '@/core/refs/digest';
import type { Content, Item, Shell } from '@/core/shell/model';
import type { ContentId, FilePath } from '@/core/refs/refs';
import type { WrittenAddress } from '@/core/text/scan-html';
import { titleKey } from '@/core/text/normalise';

/** Keys that are equal where two items say the same. */
export interface ContentKeys {
  /** Normalised text, link targets and points; null for a module, a heading and for what has no content at all. */
  of(item: Item): string | null;
  /** As `of`, but a link to another page counts by that page's title: what two imports of one page share although each links to its own neighbours. */
  looseOf(item: Item): string | null;
  /** As `of` and `looseOf`, whatever the points: nobody may know them on one side. */
  bodyOf(item: Item): string | null;
  looseBodyOf(item: Item): string | null;
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
  const bodies = new BodyKeys(shell, graph);
  const keyOf = (item: Item, which: keyof BodyKey): string | null => {
    const content = bodies.contentOf(item);
    if (!content) return null;
    const key = bodies.of(content)[which];
    return key === null ? null : fingerprint(item.kind, key, String(item.points ?? content.points ?? ''));
  };
  const bodyOf = (item: Item, which: keyof BodyKey): string | null => {
    const content = bodies.contentOf(item);
    const key = content ? bodies.of(content)[which] : null;
    return key === null ? null : fingerprint(item.kind, key);
  };
  // Many checks ask for the keys of all items.
  const oncePerItem = (which: keyof BodyKey) => {
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
    bodyOf: (item) => bodyOf(item, 'key'),
    looseBodyOf: (item) => bodyOf(item, 'loose'),
    words(item) {
      const content = bodies.contentOf(item);
      if (!content || (content.texts.length === 0 && content.textPath === null)) return 0;
      return wordingOf(content).words;
    },
    substance: (item) => fingerprint(item.kind, titleKey(item.title), of(item) ?? ''),
  };
}

/** What each content says, exactly and loosely, each worked out when it is first asked for. */
class BodyKeys {
  private readonly contents: ReadonlyMap<ContentId, Content>;
  private readonly files: ReadonlyMap<string, string>;
  private readonly entries: ReadonlyMap<string, string>;
  private readonly bodies = new Map<ContentId, BodyKey>();
  // A page that many link to is asked for with every link.
  private readonly plain = new Map<ContentId, string>();

  constructor(
    shell: Shell,
    private readonly graph: LinkGraph,
  ) {
    this.contents = new Map(shell.contents.map((c) => [c.id, c]));
    this.files = new Map(shell.files.map((f) => [f.path, f.sha256]));
    this.entries = new Map(shell.entries.map((e) => [e.path, e.sha256]));
  }

  contentOf = (item: Item): Content | undefined =>
    item.content === null ? undefined : this.contents.get(item.content);

  of(content: Content): BodyKey {
    const known = this.bodies.get(content.id);
    if (known) return known;
    const key = this.bodyKey(content);
    this.bodies.set(content.id, key);
    return key;
  }

  private bodyKey(content: Content): BodyKey {
    const hasBody = content.texts.length > 0 || content.textPath !== null;
    if (!hasBody) return { key: this.plainKey(content), loose: this.plainKey(content) };
    const text = wordingOf(content).digest;
    const { exact, loose } = this.targetKeys(content);
    const keyOver = (targets: readonly string[]) =>
      text === null && targets.length === 0
        ? null
        : digest([text ?? '', content.answerKey, ...targets].join('\u0000'));
    return { key: keyOver(exact), loose: keyOver(loose) };
  }

  private plainKey(content: Content): string {
    const known = this.plain.get(content.id);
    if (known !== undefined) return known;
    const key = this.ownKey(content);
    this.plain.set(content.id, key);
    return key;
  }

  /** What a content says by itself, its links aside. */
  private ownKey(content: Content): string {
    switch (content.kind) {
      case 'file':
      case 'other':
        return `bytes ${this.mainFile(content) ?? content.id}`;
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
  }

  private mainFile(content: Content): string | null {
    const path = content.href ?? content.files[0];
    return path === undefined ? null : (this.files.get(path) ?? this.entries.get(path) ?? null);
  }

  /** What each address leads to, in order: by what stands there, and loosely by the title of a page. */
  private targetKeys(content: Content): { readonly exact: string[]; readonly loose: string[] } {
    const exact: string[] = [];
    const loose: string[] = [];
    const at = content.textPath;
    if (!at) return { exact, loose };
    for (const scan of scansOfContent(content))
      for (const address of scan.addresses) {
        if (isOfTheHead(address)) continue;
        const key = this.targetKey(address.value, at, scan.base);
        exact.push(key.exact);
        loose.push(key.loose);
      }
    return { exact, loose };
  }

  private targetKey(
    value: string,
    at: FilePath,
    base: string | null,
  ): { readonly exact: string; readonly loose: string } {
    const same = (key: string) => ({ exact: key, loose: key });
    const meaning = this.graph.read(value, at, base);
    if (meaning.to === 'outside') return same(webAddressKey(meaning.url));
    if (meaning.to !== 'package') return same(value);
    if (meaning.found === null) return same(`missing ${meaning.asked}`);
    const bytes = this.files.get(meaning.found);
    if (bytes !== undefined) return same(`bytes ${bytes}`);
    const node = this.graph.nodeOfPath(meaning.found);
    const page = node?.startsWith('content:') ? this.contents.get(node.slice(8) as ContentId) : undefined;
    if (!page) return same(`path ${meaning.found}`);
    return { exact: this.plainKey(page), loose: `titled ${page.kind} ${titleKey(page.title)}` };
  }
}

/** Style sheets and icons say how a page looks: they are no links of its text. */
const isOfTheHead = ({ tag }: Pick<WrittenAddress, 'tag'>): boolean => tag === 'link' || tag === 'style';

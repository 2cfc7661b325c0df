import {
  contentNode,
  contentOfNode,
  fileNode,
  filesByContent,
  type AddressEdge,
  type Edge,
  type LinkGraph,
  type NodeKey,
} from '@/core/links/graph';
import { collect } from '@/core/collect';
import type { Item, Shell, ShellFile } from '@/core/shell/model';
import type { ContentId, ItemRef } from '@/core/refs/refs';
import type { Closed, Openings } from './openings';
import { always, areSame, either, both, never, without, type Spans } from './spans';

/** A link that a student meets and can’t follow, or a file that they can’t read. */
export interface DeadEnd {
  /** The item in which they meet it. */
  readonly from: ItemRef;
  readonly to: { readonly type: 'item' | 'file' | 'nothing'; readonly ref: string };
  readonly because: Closed | { readonly is: 'unreadable' } | { readonly is: 'missing' };
  /** When they meet it. */
  readonly spans: Spans;
}

/** What stands behind an address: when it can be opened, and what is said where it can’t. */
interface Door {
  readonly spans: Spans;
  readonly to: DeadEnd['to'];
  readonly because: DeadEnd['because'];
}

/**
 * Where a student comes by links, from what they open in the outline: along every address of a page that they see, day
 * by day, as far as doors are open. A picture is seen wherever its page is, unless staff alone may read its file.
 */
export class Reach {
  private readonly spans = new Map<NodeKey, Spans>();
  /** The item in which a student sees what a node says. */
  private readonly seenIn = new Map<NodeKey, ItemRef>();
  private readonly places = new Map<ContentId, Item[]>();
  private readonly files: ReadonlyMap<NodeKey, ShellFile>;
  private readonly ends = new Map<string, DeadEnd>();

  constructor(
    private readonly shell: Shell,
    private readonly graph: LinkGraph,
    private readonly openings: Openings,
    private readonly isDirect: (item: Item) => boolean,
  ) {
    for (const item of shell.items) if (item.content !== null) collect(this.places, item.content, item);
    this.files = new Map(shell.files.map((file) => [fileNode(file.path), file]));
    this.walk();
    this.addBroken();
  }

  /** When a student comes to an item, directly or by links. */
  of(item: Item): Spans {
    if (this.isDirect(item)) return this.openings.of(item).spans;
    return item.content === null ? never : (this.spans.get(contentNode(item.content)) ?? never);
  }

  get deadEnds(): readonly DeadEnd[] {
    return [...this.ends.values()];
  }

  private walk(): void {
    const open: NodeKey[] = [];
    const enter = (node: NodeKey, spans: Spans, seenIn: ItemRef) => {
      const before = this.spans.get(node) ?? never;
      const now = either(before, spans);
      if (areSame(before, now)) return;
      this.spans.set(node, now);
      if (!this.seenIn.has(node)) this.seenIn.set(node, seenIn);
      open.push(node);
    };
    for (const item of this.shell.items) {
      if (!this.isDirect(item) || item.content === null) continue;
      const { spans } = this.openings.of(item);
      for (const node of this.nodesOf(item.content)) enter(node, spans, item.ref);
    }
    for (let node = open.pop(); node !== undefined; node = open.pop()) {
      const spans = this.spans.get(node) ?? never;
      const from = this.seenIn.get(node);
      if (from === undefined) continue;
      for (const edge of this.graph.outgoing.get(node) ?? []) {
        if (edge.kind !== 'address') continue;
        const passed = this.pass(edge, spans, from);
        if (passed.length > 0) this.enterBehind(edge, passed, from, enter);
      }
    }
  }

  /** Goes on to where an address leads; a page brings the files of its resource along. */
  private enterBehind(
    edge: Edge,
    spans: Spans,
    from: ItemRef,
    enter: (node: NodeKey, spans: Spans, seenIn: ItemRef) => void,
  ): void {
    const content = contentOfNode(edge.to);
    if (content === null) return enter(edge.to, spans, from);
    const place = this.places.get(content)?.[0]?.ref ?? from;
    for (const node of this.nodesOf(content)) enter(node, spans, place);
  }

  private nodesOf(content: ContentId): NodeKey[] {
    const files = filesByContent(this.shell).get(content) ?? [];
    return [contentNode(content), ...files.map((file) => fileNode(file.path))];
  }

  /** The times at which an address can be followed; the others are noted as dead ends. */
  private pass(edge: AddressEdge, spans: Spans, from: ItemRef): Spans {
    const door = this.doorOf(edge);
    const shut = without(spans, door.spans);
    if (shut.length > 0) this.note({ from, to: door.to, because: door.because, spans: shut });
    return both(spans, door.spans);
  }

  private note(end: DeadEnd): void {
    const key = `${end.from} ${end.to.type} ${end.to.ref}`;
    const known = this.ends.get(key);
    this.ends.set(key, known ? { ...known, spans: either(known.spans, end.spans) } : end);
  }

  private doorOf(edge: AddressEdge): Door {
    const file = this.files.get(edge.to);
    const toFile = { type: 'file', ref: file?.path ?? edge.to.slice(edge.to.indexOf(':') + 1) } as const;
    if (file?.readableBy === 'staff') return { spans: never, to: toFile, because: { is: 'unreadable' } };
    const content = contentOfNode(edge.to) ?? file?.content;
    const places = content === undefined ? [] : (this.places.get(content) ?? []);
    // A picture of something hidden is seen all the same where a page shows it.
    const isShownInPage = file !== undefined && edge.attribute !== 'href';
    const [first] = places;
    if (!first || isShownInPage) return { spans: always, to: toFile, because: { is: 'missing' } };
    const placed = places.filter((place) => place.placed);
    const doors = (placed.length > 0 ? placed : places).map((place) => this.openings.of(place));
    return {
      spans: doors.reduce<Spans>((spans, door) => either(spans, door.spans), never),
      to: { type: 'item', ref: (placed[0] ?? first).ref },
      because: doors[0]?.closed ?? { is: 'never' },
    };
  }

  /** Addresses of pages that students see which lead to nothing in the package. */
  private addBroken(): void {
    for (const { from, asked } of this.graph.broken) {
      const spans = this.spans.get(from);
      const seenIn = this.seenIn.get(from);
      if (!spans?.length || seenIn === undefined) continue;
      this.note({ from: seenIn, to: { type: 'nothing', ref: asked }, because: { is: 'missing' }, spans });
    }
  }
}

import { baseOfAddresses } from '@/core/links/package-paths';
import { fileNode, linkGraphOf, type AddressEdge, type NodeKey } from '@/core/links/graph';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import { spellAddress } from '@/core/links/spell-address';
import type { Content, Item, Shell, ShellFile } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ContentId, FilePath, ItemRef } from '@/core/refs/refs';
import { applyCuts } from '@/core/text/take-out-addresses';
import { mapped } from '@/core/plan/action/action';
import { goalOf } from './goals';

export interface Relinked {
  readonly shell: Shell;
  /** The contents and files whose addresses were rewritten, and how many in each. */
  readonly rewritten: ReadonlyMap<NodeKey, number>;
  /** Refs that had anything to lead elsewhere, each with the nodes that named it. */
  readonly used: ReadonlyMap<string, ReadonlySet<NodeKey>>;
}

/**
 * Leads every link to one thing to another: addresses in texts and style sheets, dependencies, requirements and, for
 * files, the outline's places. Query and fragment of an address stay; below a base element the address is spelled from
 * there. What cannot be rewritten stays as it is.
 */
export function relinkThings(shell: Shell, pairs: ReadonlyMap<string, string>): Relinked {
  return new Relinking(shell, pairs).run();
}

class Relinking {
  private readonly goals = new Map<NodeKey, FilePath>();
  private readonly contents = new Map<ContentId, ContentId>();
  private readonly fileContents = new Map<ContentId, ContentId>();
  private readonly refOfContent = new Map<ContentId, string>();
  private readonly used = new Map<string, Set<NodeKey>>();
  private readonly rewritten = new Map<NodeKey, number>();
  private readonly edges = new Map<NodeKey, AddressEdge[]>();

  constructor(
    private readonly shell: Shell,
    private readonly pairs: ReadonlyMap<string, string>,
  ) {}

  run(): Relinked {
    for (const [from, to] of this.pairs) this.plan(from, to);
    const { shell } = this;
    const next: Shell = {
      ...shell,
      contents: mapped(shell.contents, (content) => this.content(content)),
      files: mapped(shell.files, (file) => this.file(file)),
      items: mapped(shell.items, (item) => this.item(item)),
    };
    return { shell: next, rewritten: this.rewritten, used: this.used };
  }

  private plan(from: string, to: string): void {
    const [old, goal] = [goalOf(this.shell, from), goalOf(this.shell, to)];
    if (!old || !goal?.path || old.content === goal.content) return;
    for (const node of old.nodes) {
      this.goals.set(node, goal.path);
      for (const edge of linkGraphOf(this.shell).incoming.get(node) ?? [])
        if (edge.kind === 'address' && edge.start >= 0) this.lead(edge, from);
    }
    if (!old.content || !goal.content) return;
    this.refOfContent.set(old.content, from);
    this.contents.set(old.content, goal.content);
    // A place of a file can only show another file; where links lead to a page, the place stays.
    if (old.isFile && goal.isFile) this.fileContents.set(old.content, goal.content);
  }

  private lead(edge: AddressEdge, from: string): void {
    this.note(from, edge.from);
    const others = this.edges.get(edge.from);
    if (others) others.push(edge);
    else this.edges.set(edge.from, [edge]);
  }

  private note(from: string, by: NodeKey): void {
    const users = this.used.get(from);
    if (users) users.add(by);
    else this.used.set(from, new Set([by]));
  }

  private content(content: Content): Content {
    const node: NodeKey = `content:${content.id}`;
    const edges = this.edges.get(node) ?? [];
    const dependencies = this.dependencies(content);
    if (!edges.length && dependencies === content.dependencies) return content;
    const at = content.textPath;
    if (!edges.length || at === null) return { ...content, dependencies };
    this.rewritten.set(node, edges.length);
    const scans = scansOfContent(content);
    const texts = content.texts.map((text, n) =>
      this.text(
        text,
        at,
        scans[n]?.base ?? null,
        edges.filter((edge) => edge.text === n),
      ),
    );
    return { ...content, texts, dependencies };
  }

  private dependencies(content: Content): readonly ContentId[] {
    if (!content.dependencies.some((id) => this.contents.has(id))) return content.dependencies;
    const led = content.dependencies.map((id) => {
      const ref = this.refOfContent.get(id);
      if (ref !== undefined) this.note(ref, `content:${content.id}`);
      return this.contents.get(id) ?? id;
    });
    return [...new Set(led)].filter((id) => id !== content.id);
  }

  private file(file: ShellFile): ShellFile {
    const edges = this.edges.get(fileNode(file.path));
    if (!edges || file.text === null) return file;
    this.rewritten.set(fileNode(file.path), edges.length);
    return { ...file, text: this.text(file.text, file.path, scanOfFile(file)?.base ?? null, edges) };
  }

  private text(text: string, at: FilePath, base: string | null, edges: readonly AddressEdge[]): string {
    const cuts = edges.map((edge) => {
      const goal = this.goals.get(edge.to);
      const raw = text.slice(edge.start, edge.end);
      const from = edge.based ? baseOfAddresses(at, base) : at;
      return { start: edge.start, end: edge.end, by: goal ? spellAddress(goal, from, edge, raw) : raw };
    });
    return applyCuts(text, cuts);
  }

  private item(item: Item): Item {
    const requires = this.requires(item);
    const content = this.shownContent(item);
    if (requires === item.requires && content === item.content) return item;
    return { ...item, requires, content };
  }

  private requires(item: Item): readonly ItemRef[] {
    // Only an item can be required: where links lead to a file, the requirement stays.
    const leads = (ref: ItemRef) => outlineOf(this.shell).byRef.has(this.pairs.get(ref) as ItemRef);
    if (!item.requires.some(leads)) return item.requires;
    for (const ref of item.requires) if (leads(ref)) this.note(ref, `item:${item.ref}`);
    const led = item.requires.map((ref) => (leads(ref) ? this.pairs.get(ref) : ref) as ItemRef);
    return [...new Set(led)].filter((ref) => ref !== item.ref);
  }

  /** A place that shows a file shows the other one. */
  private shownContent(item: Item): ContentId | null {
    if (item.content === null || item.kind !== 'file') return item.content;
    const other = this.fileContents.get(item.content);
    const ref = this.refOfContent.get(item.content);
    if (other === undefined || ref === undefined) return item.content;
    this.note(ref, `item:${item.ref}`);
    return other;
  }
}

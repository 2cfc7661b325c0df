import { contentNode, fileNode, linkGraphOf, type AddressEdge, type NodeKey } from '@/core/links/graph';
import { baseOfAddresses, readAddress } from '@/core/links/package-paths';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import { spellAddress } from '@/core/links/spell-address';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import type { FilePath } from '@/core/refs/refs';
import { applyCuts, type Cut } from '@/core/text/take-out-addresses';

/** An address of a text that was led: what it meant in the package, and where that stands now. */
export interface LedAddress {
  /** The resource or file that the text is of. */
  readonly node: NodeKey;
  /** As the text spells it. */
  readonly written: string;
  readonly found: FilePath;
  /** Null where what it leads to was not taken and has no counterpart. */
  readonly goal: FilePath | null;
}

/** Leads the addresses in texts of a package to where their targets stand under new names. */
export class AddressLeader {
  /** Addresses that lead elsewhere than before. */
  relinked = 0;
  /** Every address that means something in the package, in the order in which texts were asked for. */
  readonly led: LedAddress[] = [];

  constructor(
    private readonly incoming: Shell,
    private readonly paths: ReadonlyMap<FilePath, FilePath>,
  ) {}

  textsOf(content: Content): readonly string[] {
    const at = content.textPath;
    if (at === null) return content.texts;
    const edges = this.addressesIn(contentNode(content.id));
    const scans = scansOfContent(content);
    return content.texts.map((text, n) => {
      const inText = edges.filter((edge) => edge.text === n);
      return this.rewrite(text, at, scans[n]?.base ?? null, inText);
    });
  }

  textOf(file: ShellFile): string | null {
    if (file.text === null) return null;
    const base = scanOfFile(file)?.base ?? null;
    return this.rewrite(file.text, file.path, base, this.addressesIn(fileNode(file.path)));
  }

  private addressesIn(node: NodeKey): readonly AddressEdge[] {
    const edges = linkGraphOf(this.incoming).outgoing.get(node) ?? [];
    return edges.filter((edge): edge is AddressEdge => edge.kind === 'address');
  }

  /** Below a base element addresses start from there. */
  private rewrite(text: string, at: FilePath, base: string | null, edges: readonly AddressEdge[]): string {
    const to = this.paths.get(at) ?? at;
    const isFolderNew = folderOf(to) !== folderOf(at);
    const graph = linkGraphOf(this.incoming);
    const cuts = edges.flatMap((edge): Cut[] => {
      if (edge.start < 0) return [];
      const raw = text.slice(edge.start, edge.end);
      const meaning = readAddress(raw.replace(/&amp;/g, '&'), at, edge.based ? base : null, graph.paths);
      if (meaning.to !== 'package' || meaning.found === null) return [];
      const known = this.paths.get(meaning.found) ?? null;
      this.led.push({ node: edge.from, written: raw, found: meaning.found, goal: known });
      const goal = known ?? meaning.found;
      const startsElsewhere = isFolderNew && !edge.token;
      if (goal === meaning.found && !startsElsewhere) return [];
      this.relinked += 1;
      const from = edge.based ? baseOfAddresses(to, base) : to;
      return [{ start: edge.start, end: edge.end, by: spellAddress(goal, from, edge, raw) }];
    });
    return applyCuts(text, cuts);
  }
}

const folderOf = (path: FilePath): string => path.slice(0, path.lastIndexOf('/') + 1);

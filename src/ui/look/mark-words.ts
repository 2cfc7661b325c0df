/** A stretch of one text node, end excluded. */
interface Part {
  readonly node: Text;
  readonly start: number;
  readonly end: number;
}

/** The text of a page as a reader sees it, each letter with the node and place that it comes from. */
interface ReadText {
  readonly text: string;
  readonly nodes: readonly Text[];
  readonly offsets: readonly number[];
}

/**
 * Marks some words in a page wherever they stand first, also where they run over several elements. White space counts
 * as one blank. Gives how many of them were found.
 */
export function markWords(root: Node, words: readonly string[]): number {
  let found = 0;
  for (const one of words) {
    const wanted = foldSpace(one);
    if (wanted === '') continue;
    const page = readText(root);
    const at = page.text.indexOf(wanted);
    if (at < 0) continue;
    found += 1;
    for (const part of partsOf(page, at, at + wanted.length)) wrap(part);
  }
  return found;
}

/** White space as one blank; what was cut off at the end is not looked for. */
const foldSpace = (text: string): string => text.replace(/^…|…$/g, '').replace(/\s+/g, ' ').trim();

function readText(root: Node): ReadText {
  const document = root.ownerDocument ?? (root as Document);
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
  let text = '';
  const nodes: Text[] = [];
  const offsets: number[] = [];
  const add = (letter: string, node: Text, offset: number) => {
    if (letter === ' ' && text.endsWith(' ')) return;
    text += letter;
    nodes.push(node);
    offsets.push(offset);
  };
  for (let node = walker.nextNode() as Text | null; node; node = walker.nextNode() as Text | null) {
    const { data } = node;
    for (let n = 0; n < data.length; n += 1) {
      const letter = data.charAt(n);
      add(/\s/.test(letter) ? ' ' : letter, node, n);
    }
  }
  return { text, nodes, offsets };
}

/** The stretches of text nodes that a stretch of the read text is made of. */
function partsOf({ nodes, offsets }: ReadText, from: number, to: number): Part[] {
  const parts: Part[] = [];
  for (let at = from; at < to; at += 1) {
    const node = nodes[at];
    const offset = offsets[at];
    if (node === undefined || offset === undefined) continue;
    const last = parts.at(-1);
    if (last?.node === node) parts[parts.length - 1] = { ...last, end: offset + 1 };
    else parts.push({ node, start: offset, end: offset + 1 });
  }
  return parts;
}

function wrap({ node, start, end }: Part): void {
  if (node.data.slice(start, end).trim() === '') return;
  const middle = node.splitText(start);
  middle.splitText(end - start);
  const mark = node.ownerDocument.createElement('mark');
  middle.replaceWith(mark);
  mark.append(middle);
}

import { spellAddress } from '@/core/links/spell-address';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import type { Content, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ContentId, FilePath, ItemRef } from '@/core/shell/refs';
import type { Markup, WrittenAddress } from '@/core/text/scan-html';
import { replacements } from '../edits';
import type { ActionResult } from './action-result';

/** What becomes of an address that stands in a text: another spelling of its place, or the place taken out; null leaves it. */
type Rewrite = (
  address: WrittenAddress,
  text: string,
  at: FilePath,
  token: boolean,
) => { readonly start: number; readonly end: number; readonly by: string } | null;

/** Leads addresses, as they are written in the targets' texts, to files or pages of the shell; query and fragment stay. */
export function relinkAddresses(
  shell: Shell,
  targets: ReadonlySet<string>,
  addresses: Readonly<Record<string, string>>,
): ActionResult {
  const paths = new Set<string>([
    ...shell.files.map((f) => f.path),
    ...shell.contents.flatMap((c) => c.files),
  ]);
  const missing = Object.values(addresses).find((to) => !paths.has(to));
  if (missing !== undefined)
    return {
      edits: [],
      done: new Set(),
      blocked: new Map(
        [...targets].map((t) => [t, `“${missing}” is not in this shell; choose another goal`]),
      ),
    };
  return rewrite(shell, targets, (address, text, at, token) => {
    const to = addresses[address.value];
    if (to === undefined) return null;
    const raw = text.slice(address.start, address.end);
    const tail = /[?#].*$/s.exec(address.value)?.[0] ?? '';
    // Outside a page, addresses are written from the package's root.
    const by = spellAddress(
      to as FilePath,
      at,
      { token, tail, context: address.context },
      token && !raw.includes('$') ? '$IMS-CC-FILEBASE$' : raw,
    );
    return { start: address.start, end: address.end, by };
  });
}

/** Takes addresses out of the targets' texts: a link's words stay, a picture goes. */
export function unlinkAddresses(
  shell: Shell,
  targets: ReadonlySet<string>,
  drop: ReadonlySet<string>,
): ActionResult {
  return rewrite(shell, targets, (address, text) =>
    drop.has(address.value) ? withoutAddress(address, text) : null,
  );
}

const wholeTags = new Set(['img', 'source', 'embed', 'track', 'link', 'input']);

/** The stretch that an address takes up in its text, with what it belongs to; null where it can't be taken out alone. */
function withoutAddress(
  address: WrittenAddress,
  text: string,
): { start: number; end: number; by: string } | null {
  if (address.context === 'css') {
    const head = /url\(\s*["']?$/i.exec(text.slice(Math.max(0, address.start - 12), address.start));
    const tail = /^["']?\s*\)/.exec(text.slice(address.end));
    return head && tail
      ? { start: address.start - head[0].length, end: address.end + tail[0].length, by: 'none' }
      : null;
  }
  const quote = text[address.end];
  const end = quote === '"' || quote === "'" ? address.end + 1 : address.end;
  if (wholeTags.has(address.tag) && address.attribute !== 'srcset') {
    const open = text.lastIndexOf('<', address.start);
    const close = text.indexOf('>', end);
    return open >= 0 && close >= 0 ? { start: open, end: close + 1, by: '' } : null;
  }
  const from = Math.max(0, address.start - 40);
  const head = new RegExp(`\\s+${address.attribute}\\s*=\\s*["']?$`, 'i').exec(
    text.slice(from, address.start),
  );
  return head && address.attribute !== 'srcset' ? { start: from + head.index, end, by: '' } : null;
}

function rewrite(shell: Shell, targets: ReadonlySet<string>, change: Rewrite): ActionResult {
  const outline = outlineOf(shell);
  const owners = new Map<ContentId, string>();
  for (const target of targets) {
    const content =
      outline.byRef.get(target as ItemRef)?.content ?? shell.banks.find((b) => b.ref === target)?.content;
    if (content) owners.set(content, target);
  }
  const done = new Set<string>();
  const apply = (text: string, scan: Markup, at: FilePath, token: boolean): string => {
    const changes = scan.addresses
      .filter((a) => a.start >= 0)
      .map((a) => change(a, text, at, token))
      .filter((c) => c !== null);
    let made = text;
    let before = Infinity;
    for (const { start, end, by } of changes.sort((a, b) => b.start - a.start)) {
      // Two addresses of one picture go with it at once.
      if (end > before) continue;
      made = made.slice(0, start) + by + made.slice(end);
      before = start;
    }
    return made;
  };
  const changeContent = (content: Content): Content => {
    const owner = owners.get(content.id);
    if (owner === undefined || !content.textPath) return content;
    const scans = scansOfContent(content);
    const texts = content.texts.map((text, i) =>
      isAttachment(text) && content.kind !== 'page'
        ? text
        : apply(text, scans[i]!, content.textPath!, content.kind !== 'page'),
    );
    if (texts.every((t, i) => t === content.texts[i])) return content;
    done.add(owner);
    return { ...content, texts };
  };
  const edits = [
    ...replacements(shell, 'contents', changeContent),
    ...replacements(shell, 'files', (file) => {
      const scan = targets.has(file.path) && file.text !== null ? scanOfFile(file) : null;
      const text = scan ? apply(file.text!, scan, file.path, false) : file.text;
      if (text === file.text) return file;
      done.add(file.path);
      return { ...file, text };
    }),
  ];
  const blocked = new Map(
    [...targets]
      .filter((t) => !done.has(t))
      .map((t) => [
        t,
        'the address stands where it can’t be rewritten by itself, or is gone already; edit it by hand',
      ]),
  );
  return { edits, done, blocked };
}

/** An attachment of an activity is an address without a text around it. */
const isAttachment = (text: string): boolean => /^<a href="[^"]*"><\/a>$/.test(text);

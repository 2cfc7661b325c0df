import { entryOf } from '@/core/entries';
import { baseOfAddresses, fileBaseOf } from '@/core/links/package-paths';
import { scanOfFile, scansOfContent } from '@/core/links/scans';
import { spellAddress } from '@/core/links/spell-address';
import { bankOfShell, contentOfShell, fileOfShell } from '@/core/shell/find-things';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { FilePath, ItemRef } from '@/core/refs/refs';
import type { Markup, WrittenAddress } from '@/core/text/scan-html';
import { applyCuts, takeOutAddresses } from '@/core/text/take-out-addresses';
import { isAttachment, withoutTexts } from './drop-text';
import { isWebGoal, spellWebGoal } from './web-goal';

/** The body that an item, bank or file has: what holds addresses. */
export type Body =
  { readonly is: 'content'; readonly content: Content } | { readonly is: 'file'; readonly file: ShellFile };

export function bodyOf(shell: Shell, ref: string): Body | null {
  const file = fileOfShell(shell, ref);
  if (file && file.text !== null) return { is: 'file', file };
  const id = outlineOf(shell).byRef.get(ref as ItemRef)?.content ?? bankOfShell(shell, ref)?.content ?? null;
  const content = contentOfShell(shell, id);
  return content?.textPath ? { is: 'content', content } : null;
}

const known = new WeakMap<Content | ShellFile, ReadonlySet<string>>();

/** The addresses of a body that can be changed there, as they are written; asked once for each of ten thousand links. */
export function addressesOf(body: Body): ReadonlySet<string> {
  const thing = body.is === 'file' ? body.file : body.content;
  const written = known.get(thing) ?? readAddresses(body);
  known.set(thing, written);
  return written;
}

function readAddresses(body: Body): ReadonlySet<string> {
  const scans: readonly (Markup | null)[] =
    body.is === 'file' ? [scanOfFile(body.file)] : scansOfContent(body.content);
  return new Set(
    scans.flatMap((scan) => (scan?.addresses ?? []).filter((a) => a.start >= 0).map((a) => a.value)),
  );
}

/** Changes every text of a body; an attachment for which `change` gives null goes altogether. */
function changeBody(
  shell: Shell,
  body: Body,
  change: (text: string, scan: Markup, about: TextAbout) => string | null,
): Shell {
  if (body.is === 'file') {
    const scan = scanOfFile(body.file);
    const { text } = body.file;
    if (!scan || text === null) return shell;
    const about: TextAbout = { at: body.file.path, is: body.file.mediaType === 'text/css' ? 'css' : 'page' };
    const next = change(text, scan, about) ?? '';
    return { ...shell, files: shell.files.map((f) => (f === body.file ? { ...f, text: next } : f)) };
  }
  const { content } = body;
  const scans = scansOfContent(content);
  const gone = new Set<number>();
  const texts = content.texts.map((text, n) => {
    const scan = scans[n];
    if (!scan || content.textPath === null) return text;
    const about: TextAbout = { at: content.textPath, is: textIs(content, text) };
    const next = change(text, scan, about);
    if (next === null) gone.add(n);
    return next ?? '';
  });
  const next = withoutTexts({ ...content, texts }, gone);
  return { ...shell, contents: shell.contents.map((c) => (c === content ? next : c)) };
}

interface TextAbout {
  readonly at: FilePath;
  readonly is: 'page' | 'css' | 'xml-text' | 'attachment';
}
function textIs(content: Content, text: string): TextAbout['is'] {
  if (content.kind === 'page') return 'page';
  return isAttachment(text) ? 'attachment' : 'xml-text';
}

/** Leads addresses, as they are written, to files of the package, where query and fragment stay, or to web addresses. */
export function leadWritten(shell: Shell, body: Body, goals: Readonly<Record<string, string>>): Shell {
  return changeBody(shell, body, (text, scan, about) => {
    const cuts = scan.addresses.flatMap((address) => {
      const goal = entryOf(goals, address.value);
      if (goal === undefined || address.start < 0) return [];
      const by = isWebGoal(goal)
        ? spellWebGoal(goal, address.context)
        : spellLike(text, address, scan, about, goal as FilePath);
      return [{ start: address.start, end: address.end, by }];
    });
    return applyCuts(text, cuts);
  });
}

function spellLike(
  text: string,
  address: WrittenAddress,
  scan: Markup,
  about: TextAbout,
  goal: FilePath,
): string {
  const raw = text.slice(address.start, address.end);
  const tail = /[?#].*$/s.exec(address.value)?.[0] ?? '';
  const written = fileBaseOf(raw);
  // Inside an activity's text, addresses are written from the package's root.
  const token = about.is === 'xml-text' || (written !== null && about.is !== 'css');
  const based = scan.base !== null && !token;
  const from = based ? baseOfAddresses(about.at, scan.base) : about.at;
  const like = token && written === null ? '$IMS-CC-FILEBASE$' : raw;
  return spellAddress(goal, from, { token, tail, context: address.context }, like);
}

/** Takes addresses out, as they are written: a link’s words stay, a picture and an attachment go. */
export const dropWritten = (shell: Shell, body: Body, drop: ReadonlySet<string>): Shell =>
  changeBody(shell, body, (text, scan, about) => {
    const going = scan.addresses.filter((a) => a.start >= 0 && drop.has(a.value));
    if (!going.length) return text;
    return about.is === 'attachment' ? null : takeOutAddresses(text, going, about.is === 'css');
  });

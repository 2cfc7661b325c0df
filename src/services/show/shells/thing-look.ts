import { entryOf, putEntry } from '@/core/entries';
import { z } from 'zod';
import { readAddress } from '@/core/links/package-paths';
import type { Content, Shell, ShellFile } from '@/core/shell/model';
import type { FilePath } from '@/core/refs/refs';
import { scanHtml } from '@/core/text/scan-html';
import { textOf } from '@/store/state/keep-shell';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { cleanPage } from './clean-page';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { bareSource } from '@/services/do/add/bare-source';
import { bareShellOf, pathsOf } from '@/services/keep/shells/subject-detail';

/** Which thing is looked at: an item by its ref, or a file by its path. */
export const lookSchema = z.strictObject({
  type: z.enum(['item', 'file']),
  ref: z.string().max(4000),
  /** Left out for the shell itself; else the source that is held against it. */
  of: z.literal('source').optional(),
});
export type LookedAt = z.output<typeof lookSchema>;

/** A thing as it looks, ready to be drawn without asking for anything else. */
export type ThingLook =
  | {
      readonly is: 'page';
      /** The page, cleaned: nothing in it runs or is fetched, its pictures stand in it by value. */
      readonly html: string;
    }
  | { readonly is: 'picture'; readonly address: string }
  | { readonly is: 'text'; readonly text: string }
  /** The bytes of a PDF in base64. */
  | { readonly is: 'pdf'; readonly bytes: string }
  | { readonly is: 'nothing'; readonly why: string };

/** A file of more bytes is not carried to the page. */
const mostBytes = 8 * 1024 ** 2;
/** The pictures of one page together. */
const mostPictureBytes = 4 * 1024 ** 2;
const longestText = 20_000;
const longestPage = 400_000;

const nothing = (why: string): ThingLook => ({ is: 'nothing', why });

/** How a thing of the shell looks; null where the shell has no such thing. */
export function lookAt(
  folder: OpenFolder,
  current: CurrentShell,
  { type, ref, of }: LookedAt,
): ThingLook | null {
  const shell = of === 'source' ? bareSource(folder, current) : bareShellOf(folder, current);
  if (shell === null) return null;
  if (type === 'file') {
    const file = shell.files.find(({ path }) => path === ref);
    return file ? lookOfFile(folder, shell, file) : null;
  }
  const item = shell.items.find((one) => one.ref === ref);
  if (!item) return null;
  const content = shell.contents.find(({ id }) => id === item.content);
  if (!content) return nothing('It has no content of its own.');
  if (content.texts.length > 0) return lookOfPage(folder, shell, content);
  const file = shell.files.find(({ path }) => path === content.href);
  if (file) return lookOfFile(folder, shell, file);
  return nothing(content.target === null ? 'It has no text.' : `It leads to ${content.target}.`);
}

function lookOfPage(folder: OpenFolder, shell: Shell, content: Content): ThingLook {
  const html = content.texts.map((hash) => textOf(folder.blobs, hash)).join('\n<hr>\n');
  if (html.length > longestPage) return nothing('The page is too long to be shown here.');
  const at = content.textPath;
  return { is: 'page', html: cleanPage(html, at === null ? {} : picturesIn(folder, shell, html, at)) };
}

function picturesIn(folder: OpenFolder, shell: Shell, html: string, at: FilePath): Record<string, string> {
  const scan = scanHtml(html);
  const files = new Map(shell.files.map((file) => [file.path as string, file]));
  const pictures: Record<string, string> = {};
  let left = mostPictureBytes;
  for (const { value, tag } of scan.addresses) {
    if (tag !== 'img' || entryOf(pictures, value) !== undefined) continue;
    const meaning = readAddress(value, at, scan.base, pathsOf(shell));
    const file = meaning.to === 'package' && meaning.found !== null ? files.get(meaning.found) : undefined;
    if (!file || !isPicture(file) || file.bytes > left) continue;
    const bytes = folder.blobs.read(file.sha256);
    if (bytes === null) continue;
    left -= file.bytes;
    putEntry(pictures, value, dataAddress(file, bytes));
  }
  return pictures;
}

function lookOfFile(folder: OpenFolder, shell: Shell, file: ShellFile): ThingLook {
  if (file.bytes === 0) return nothing('The file is empty.');
  const as = shownAs(file);
  if (as === null) return nothing(`A file of this type (${file.mediaType}) can’t be shown here.`);
  // What is too large is not even read: one look would hold every other answer up.
  if (file.bytes > mostBytes) return nothing('The file is too large to be shown here.');
  const bytes = folder.blobs.read(file.sha256);
  if (bytes === null) return nothing('Its bytes are not kept here.');
  switch (as) {
    case 'picture':
      return { is: 'picture', address: dataAddress(file, bytes) };
    case 'pdf':
      return { is: 'pdf', bytes: bytes.toString('base64') };
    case 'text':
      return { is: 'text', text: bytes.subarray(0, longestText).toString('utf8') };
    case 'page': {
      const html = bytes.toString('utf8');
      if (html.length > longestPage) return nothing('The page is too long to be shown here.');
      return { is: 'page', html: cleanPage(html, picturesIn(folder, shell, html, file.path)) };
    }
  }
}

/** As what a file is shown; null for what can’t be. */
function shownAs(file: ShellFile): 'picture' | 'pdf' | 'page' | 'text' | null {
  if (isPicture(file)) return 'picture';
  if (file.mediaType === 'application/pdf' || /\.pdf$/i.test(file.path)) return 'pdf';
  if (/^text\/html|xhtml/.test(file.mediaType)) return 'page';
  return file.mediaType.startsWith('text/') ? 'text' : null;
}

/** Raster pictures alone: a drawing in SVG could hold more than a picture. */
const isPicture = ({ mediaType }: ShellFile): boolean => /^image\/(png|jpeg|gif|webp|bmp)$/.test(mediaType);

const dataAddress = ({ mediaType }: ShellFile, bytes: Buffer): string =>
  `data:${mediaType};base64,${bytes.toString('base64')}`;

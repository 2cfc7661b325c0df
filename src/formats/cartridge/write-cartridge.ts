import type { Readable } from 'node:stream';
import type { Content, Shell } from '@/core/shell/model';
import type { FilePath, Sha256 } from '@/core/refs/refs';
import { lost } from '@/core/shell/unreadable-store';
import { writeState } from '../state-file/shell-state';
import { decodeText, encodeText } from '../archive/decode-text';
import { ZipWriter } from '../archive/zip-writer';
import { bodySpans, replaceSpans, withoutQuestions } from './body-spans';
import { leadWebLink } from './lead-web-link';
import { stateFilePath } from './read-entries';
import { writeManifest } from './write-manifest';

/** Where the bytes of a package's files are kept. */
export interface BytesSource {
  /** All bytes, or null where nobody has them. */
  read(hash: Sha256, path: FilePath): Buffer | null;
  /** For what is large. */
  open?(hash: Sha256, path: FilePath): Readable | null;
}

const wholeLimit = 8 * 1024 ** 2;

/**
 * Writes a shell as a package; what was not changed is byte for byte what was read, and equal shells give equal bytes.
 * Entries are read, packed and written one after another, so that memory does not grow with their number. Rejects where
 * bytes are missing.
 */
export async function writeCartridge(shell: Shell, source: BytesSource, file: string): Promise<void> {
  const zip = new ZipWriter(file);
  try {
    zip.add('imsmanifest.xml', Buffer.from(writeManifest(shell), 'utf8'));
    zip.add(stateFilePath, Buffer.from(writeState(shell), 'utf8'));
    const bodies = new Map<FilePath, Content>();
    for (const content of shell.contents) {
      const path = content.textPath ?? linkPath(content);
      if (path) bodies.set(path, content);
    }
    for (const entry of entriesOf(shell)) {
      const body = bodies.get(entry.path);
      const pack = !isPacked(entry.path);
      const isLarge = !body && entry.text === null && entry.bytes > wholeLimit;
      const stream = isLarge ? source.open?.(entry.sha256, entry.path) : null;
      if (stream) await zip.addStream(entry.path, stream, { bytes: entry.bytes, pack });
      else zip.add(entry.path, bytesOf(entry, body, source), { pack });
    }
    zip.end();
  } catch (error) {
    zip.close();
    throw error;
  }
}

/** The file that holds the address of a web link; null for other contents, and where the manifest itself holds it. */
function linkPath(content: Content): FilePath | null {
  if (content.kind !== 'web-link' || content.target === null) return null;
  return content.href ?? content.files[0] ?? null;
}

const isPacked = (path: string): boolean =>
  /\.(zip|png|jpe?g|gif|webp|mp[34]|docx|xlsx|pptx|woff2?)$/i.test(path);

interface Entry {
  readonly path: FilePath;
  readonly sha256: Sha256;
  readonly bytes: number;
  /** Where the model holds the text itself: it may have been changed. */
  readonly text: string | null;
}

/** Every file of the package but manifest and state, in path order. */
function entriesOf(shell: Shell): Entry[] {
  const others = shell.entries.map(({ path, sha256, bytes }): Entry => ({ path, sha256, bytes, text: null }));
  const files = shell.files.map(({ path, sha256, bytes, text }): Entry => ({ path, sha256, bytes, text }));
  return [...others, ...files].sort((a, b) => (a.path < b.path ? -1 : 1));
}

function bytesOf(entry: Entry, body: Content | undefined, source: BytesSource): Buffer {
  const original = source.read(entry.sha256, entry.path);
  if (body) return bodyBytes(body, original);
  if (entry.text !== null) return textBytes(entry.text, original);
  if (!original) throw lost(`“${entry.path}”`);
  return original;
}

/** A text's bytes: the original ones where it says the same, else encoded the way the original was. */
function textBytes(text: string, original: Buffer | null): Buffer {
  if (!original) return Buffer.from(text, 'utf8');
  const decoded = decodeText(original);
  return decoded.text === text ? original : encodeText(text, decoded);
}

function bodyBytes(content: Content, original: Buffer | null): Buffer {
  if (content.kind === 'page') return textBytes(content.texts[0] ?? '', original);
  if (!original) throw lost(`The file of “${content.id}”`);
  const decoded = decodeText(original);
  if (content.kind === 'web-link') {
    const led = leadWebLink(decoded.text, content.target ?? '');
    return led === decoded.text ? original : encodeText(led, decoded);
  }
  const spans = bodySpans(decoded.text, content.kind) ?? [];
  if (spans.length === content.texts.length && spans.every((span, i) => span.text === content.texts[i]))
    return original;
  if (content.kind !== 'quiz' && content.kind !== 'bank')
    return encodeText(replaceSpans(decoded.text, spans, content.texts), decoded);
  const left = withoutQuestions(
    decoded.text,
    content.questions.map((q) => q.ident),
  );
  return encodeText(replaceSpans(left, bodySpans(left, content.kind) ?? [], content.texts), decoded);
}

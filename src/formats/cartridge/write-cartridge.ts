import { createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { Content, Shell } from '@/core/shell/model';
import type { FilePath, Sha256 } from '@/core/shell/refs';
import { lost } from '@/core/shell/unreadable-store';
import { writeState } from '../state-file/shell-state';
import { decodeText, encodeText } from '../archive/decode-text';
import { bodySpans, replaceSpans, withoutQuestions } from './body-spans';
import { stateFilePath } from './read-entries';
import { writeManifest } from './write-manifest';

/** Where the bytes of a package's files are kept. */
export interface BytesSource {
  /** All bytes, or null where nobody has them. */
  read(hash: Sha256, path: FilePath): Buffer | null;
  /** For what is large. */
  open?(hash: Sha256, path: FilePath): Readable | null;
}

/** Zip entries carry one fixed time, so that equal shells give equal bytes (the time is never read as a date). */
const entryTime = new Date(Date.UTC(2000, 0, 1, 12));
const wholeLimit = 8 * 1024 ** 2;

/**
 * Writes a shell as a package; what was not changed is byte for byte what was read. Entries are read, packed and written
 * one after another, so that memory does not grow with their number. Rejects where bytes are missing.
 */
export async function writeCartridge(shell: Shell, source: BytesSource, file: string): Promise<void> {
  const zip = new ZipFile();
  const options = { mtime: entryTime, mode: 0o100644 };
  const output = zip.outputStream as Readable;
  zip.on('error', (error: Error) => output.destroy(error));
  const done = pipeline(output, createWriteStream(file));
  zip.addBuffer(Buffer.from(writeManifest(shell), 'utf8'), 'imsmanifest.xml', options);
  zip.addBuffer(Buffer.from(writeState(shell), 'utf8'), stateFilePath, options);
  const bodies = new Map<FilePath, Content>();
  for (const content of shell.contents) if (content.textPath) bodies.set(content.textPath, content);
  for (const entry of entriesOf(shell)) {
    const about = { ...options, compress: !isPacked(entry.path) };
    zip.addReadStreamLazy(entry.path, about, (give) => {
      try {
        give(null, streamOf(entry, bodies.get(entry.path), source));
      } catch (error) {
        give(error, Readable.from([]));
      }
    });
  }
  zip.end();
  await done;
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

function streamOf(entry: Entry, body: Content | undefined, source: BytesSource): Readable {
  const isPlain = !body && entry.text === null;
  const large = isPlain && entry.bytes > wholeLimit ? source.open?.(entry.sha256, entry.path) : null;
  if (large) return large;
  const original = source.read(entry.sha256, entry.path);
  if (body) return Readable.from([bodyBytes(body, original)]);
  if (entry.text !== null) return Readable.from([textBytes(entry.text, original)]);
  if (!original) throw lost(`“${entry.path}”`);
  return Readable.from([original]);
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

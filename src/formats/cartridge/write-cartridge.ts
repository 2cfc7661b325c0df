import { createWriteStream } from 'node:fs';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { Content, Shell } from '@/core/shell/model';
import { filePath, type FilePath, type Sha256 } from '@/core/shell/refs';
import { writeState } from '../state-file/shell-state';
import { decodeText, encodeText } from '../archive/decode-text';
import { bodySpans, replaceSpans, withoutQuestions } from './body-spans';
import { stateFilePath } from './read-cartridge';
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

/** Writes a shell as a package; what was not changed is byte for byte what was read. */
export async function writeCartridge(shell: Shell, source: BytesSource, file: string): Promise<void> {
  const zip = new ZipFile();
  const options = { mtime: entryTime, mode: 0o100644 };
  const done = pipeline(zip.outputStream as Readable, createWriteStream(file));
  zip.addBuffer(Buffer.from(writeManifest(shell), 'utf8'), 'imsmanifest.xml', options);
  zip.addBuffer(Buffer.from(writeState(shell), 'utf8'), stateFilePath, options);
  for (const { path, bytes, stream } of packageFiles(shell, source)) {
    if (stream) zip.addReadStream(stream, path, { ...options, compress: !isPacked(path) });
    else zip.addBuffer(bytes, path, { ...options, compress: !isPacked(path) });
  }
  zip.end();
  await done;
}

const isPacked = (path: string): boolean =>
  /\.(zip|png|jpe?g|gif|webp|mp[34]|docx|xlsx|pptx|woff2?)$/i.test(path);

interface PackageFile {
  readonly path: FilePath;
  readonly bytes: Buffer;
  readonly stream?: Readable;
}

/** Every file of the package but manifest and state, in path order, with its bytes. */
function* packageFiles(shell: Shell, source: BytesSource): Generator<PackageFile> {
  const bodies = new Map<FilePath, Content>();
  for (const content of shell.contents) if (content.textPath) bodies.set(content.textPath, content);
  const all = [
    ...shell.entries.map((e) => ({
      path: e.path,
      sha256: e.sha256,
      bytes: e.bytes,
      text: null as string | null,
    })),
    ...shell.files.map((f) => ({ path: f.path, sha256: f.sha256, bytes: f.bytes, text: f.text })),
  ].sort((a, b) => (a.path < b.path ? -1 : a.path > b.path ? 1 : 0));
  for (const entry of all) {
    const body = bodies.get(entry.path);
    const plain = !body && entry.text === null;
    if (plain && entry.bytes > wholeLimit) {
      const stream = source.open?.(entry.sha256, entry.path);
      if (stream) {
        yield { path: filePath(entry.path), bytes: Buffer.alloc(0), stream };
        continue;
      }
    }
    const original = source.read(entry.sha256, entry.path);
    if (body) yield { path: entry.path, bytes: bodyBytes(body, original) };
    else if (entry.text !== null) yield { path: entry.path, bytes: textBytes(entry.text, original) };
    else if (original) yield { path: entry.path, bytes: original };
    else throw new Error(`the bytes of ${entry.path} are not in the store`);
  }
}

/** A text's bytes: the original ones where it says the same, else encoded the way the original was. */
function textBytes(text: string, original: Buffer | null): Buffer {
  if (!original) return Buffer.from(text, 'utf8');
  const decoded = decodeText(original);
  return decoded.text === text ? original : encodeText(text, decoded);
}

function bodyBytes(content: Content, original: Buffer | null): Buffer {
  if (content.kind === 'page') return textBytes(content.texts[0] ?? '', original);
  if (!original) throw new Error(`the file of ${content.id} is not in the store`);
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

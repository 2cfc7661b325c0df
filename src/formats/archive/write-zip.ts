import { createWriteStream } from 'node:fs';
import { finished } from 'node:stream/promises';
import { ZipFile } from 'yazl';

/** Writes texts as a zip file. */
export async function writeZip(path: string, files: Readonly<Record<string, string>>): Promise<void> {
  const zip = new ZipFile();
  for (const [name, text] of Object.entries(files))
    zip.addBuffer(Buffer.from(text, 'utf8'), name, { mtime: new Date(Date.UTC(2000, 0, 1, 12)) });
  const written = zip.outputStream.pipe(createWriteStream(path));
  zip.end();
  await finished(written);
}

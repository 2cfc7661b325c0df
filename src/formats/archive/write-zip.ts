import { ZipWriter } from './zip-writer';

/** Writes texts as a zip file. */
export function writeZip(path: string, files: Readonly<Record<string, string>>): void {
  const zip = new ZipWriter(path);
  for (const [name, text] of Object.entries(files)) zip.add(name, Buffer.from(text, 'utf8'));
  zip.end();
}

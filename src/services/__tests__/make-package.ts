import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import type { Readable } from 'node:stream';
import { ZipFile } from 'yazl';

/** Writes a zip of these files: a package as somebody else's program would make it. */
export async function makeZip(
  file: string,
  files: Readonly<Record<string, string | Buffer>>,
): Promise<string> {
  const zip = new ZipFile();
  const done = pipeline(zip.outputStream as Readable, createWriteStream(file));
  for (const [path, data] of Object.entries(files))
    zip.addBuffer(Buffer.isBuffer(data) ? data : Buffer.from(data, 'utf8'), path);
  zip.end();
  await done;
  return file;
}

export const manifest = (
  items: string,
  resources: string,
  more: { ns?: string; metadata?: string; version?: string; tail?: string } = {},
): string => `<?xml version="1.0" encoding="UTF-8"?>
<manifest identifier="man1" xmlns="http://www.imsglobal.org/xsd/imsccv1p1/imscp_v1p1" xmlns:lom="http://ltsc.ieee.org/xsd/imsccv1p1/LOM/manifest" xmlns:v="urn:example:vendor"${more.ns ?? ''}>
<metadata><schema>IMS Common Cartridge</schema><schemaversion>${more.version ?? '1.1.0'}</schemaversion>${more.metadata ?? ''}</metadata>
<organizations><organization identifier="org" structure="rooted-hierarchy"><item identifier="root">${items}</item></organization></organizations>
<resources>${resources}</resources>${more.tail ?? ''}
</manifest>`;
export const item = (id: string, title: string, ref = '', inner = '') =>
  `<item identifier="${id}"${ref ? ` identifierref="${ref}"` : ''}><title>${title}</title>${inner}</item>`;
export const resource = (id: string, type: string, href: string, inner = '') =>
  `<resource identifier="${id}" type="${type}" href="${href}"><file href="${href}"/>${inner}</resource>`;

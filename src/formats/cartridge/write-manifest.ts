import { append } from '@/core/collect';
import { encodePath } from '@/core/links/package-paths';
import type { Content, Item, Shell } from '@/core/shell/model';
import { writtenRef } from '@/core/refs/refs';
import { outlineOf } from '@/core/shell/outline';
import { escapeAttribute as attr, escapeText } from '../xml/parse-xml';
import { stateFilePath, stateResourceType } from './read-entries';

const cartridgeNamespace = 'http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1';
const packagingNamespace = 'http://www.imsglobal.org/xsd/imscp_v1p1';
/** LOM namespaces of older cartridge versions and the one that version 1.3 uses (Common Cartridge 1.3, profile 0). */
const newerNamespaces: readonly [RegExp, string][] = [
  [
    /^http:\/\/ltsc\.ieee\.org\/xsd\/imscc(v1p[12])?\/LOM\/manifest$/,
    'http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest',
  ],
  [
    /^http:\/\/ltsc\.ieee\.org\/xsd\/imscc(v1p[12])?\/LOM\/resource$/,
    'http://ltsc.ieee.org/xsd/imsccv1p3/LOM/resource',
  ],
  [/^http:\/\/ltsc\.ieee\.org\/xsd\/LOM$/, 'http://ltsc.ieee.org/xsd/LOM'],
];

/** Writes imsmanifest.xml: a cartridge as Common Cartridge 1.3, a content package as Content Packaging 1.1. */
export function writeManifest(shell: Shell): string {
  const { frame } = shell;
  const cartridge = frame.format === 'common-cartridge';
  const newer = (uri: string) =>
    cartridge ? (newerNamespaces.find(([old]) => old.test(uri))?.[1] ?? uri) : uri;
  const prefixes = Object.entries(frame.prefixes).map(
    ([prefix, uri]) => ` xmlns:${prefix}="${attr(newer(uri))}"`,
  );
  const lines: string[] = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<manifest xmlns="${cartridge ? cartridgeNamespace : packagingNamespace}"${prefixes.join('')} identifier="${attr(shell.ref)}">`,
    ' <metadata>',
    `  <schema>${cartridge ? 'IMS Common Cartridge' : 'IMS Content'}</schema>`,
    `  <schemaversion>${escapeText(cartridge ? '1.3.0' : frame.version)}</schemaversion>`,
    ...frame.metadataXml.map((xml) => `  ${xml}`),
    ' </metadata>',
    ' <organizations>',
  ];
  append(lines, writeOutline(shell));
  lines.push(' </organizations>', ' <resources>');
  for (const content of shell.contents) append(lines, writeResource(content, cartridge));
  lines.push(
    `  <resource identifier="currycomb-shell-state" type="${stateResourceType}" href="${stateFilePath}">`,
    `   <file href="${stateFilePath}"/>`,
    '  </resource>',
    ' </resources>',
  );
  for (const xml of frame.extraXml) lines.push(` ${xml}`);
  lines.push('</manifest>', '');
  return lines.join('\n');
}

function writeOutline(shell: Shell): string[] {
  const { frame } = shell;
  const outline = outlineOf(shell);
  const top = outline.children(null);
  if (!top.length && frame.format === 'common-cartridge') return [];
  const lines: string[] = [];
  const write = (item: Item, depth: number) => {
    const pad = ' '.repeat(depth + 2);
    const ref = item.content ? ` identifierref="${attr(item.content)}"` : '';
    const visible =
      frame.format === 'content-packaging' && item.shown !== null ? ` isvisible="${item.shown}"` : '';
    lines.push(
      `${pad}<item identifier="${attr(writtenRef(item.ref))}"${ref}${visible}>`,
      `${pad} <title>${escapeText(item.title)}</title>`,
    );
    for (const child of outline.children(item.ref)) write(child, depth + 1);
    for (const xml of item.extraXml) lines.push(`${pad} ${xml}`);
    lines.push(`${pad}</item>`);
  };
  lines.push(
    `  <organization identifier="${attr(frame.organizationId)}" structure="${frame.format === 'common-cartridge' ? 'rooted-hierarchy' : 'hierarchical'}">`,
  );
  const root = frame.format === 'common-cartridge' ? (frame.rootItemId ?? 'outline-root') : frame.rootItemId;
  if (root !== null) lines.push(`   <item identifier="${attr(root)}">`);
  for (const item of top) write(item, 2);
  if (root !== null) lines.push('   </item>');
  lines.push('  </organization>');
  return lines;
}

function writeResource(content: Content, cartridge: boolean): string[] {
  const extra = Object.entries(content.attributes).map(([name, value]) => ` ${name}="${attr(value)}"`);
  const href = content.href === null ? '' : ` href="${attr(encodePath(content.href))}"`;
  const use = content.intendedUse === null || !cartridge ? '' : ` intendeduse="${attr(content.intendedUse)}"`;
  return [
    `  <resource identifier="${attr(content.id)}" type="${attr(content.type)}"${href}${use}${extra.join('')}>`,
    ...content.extraXml.filter((xml) => /^<metadata[\s>/]/.test(xml)).map((xml) => `   ${xml}`),
    ...content.files.map((path) => `   <file href="${attr(encodePath(path))}"/>`),
    ...content.dependencies.map((id) => `   <dependency identifierref="${attr(id)}"/>`),
    ...content.extraXml.filter((xml) => !/^<metadata[\s>/]/.test(xml)).map((xml) => `   ${xml}`),
    '  </resource>',
  ];
}

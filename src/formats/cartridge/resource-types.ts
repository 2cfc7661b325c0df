import { entryOf } from '@/core/entries';
import type { ContentKind } from '@/core/shell/model';

/** What a manifest resource is, by its type (Common Cartridge 1.0 to 1.4, thin included; Content Packaging 1.1). */
export function contentKindOf(type: string, href: string | null): ContentKind {
  const folded = type.toLowerCase();
  if (folded === 'webcontent') return href !== null && isHtmlName(href) ? 'page' : 'file';
  if (/^imsdt(_|$)/.test(folded)) return 'discussion';
  if (/^imswl(_|$)/.test(folded)) return 'web-link';
  if (/^imsbasiclti(_|$)/.test(folded)) return 'tool-link';
  if (/^assignment_xmlv/.test(folded)) return 'assignment';
  if (/^imsqti_.*\/question-bank$/.test(folded)) return 'bank';
  if (/^imsqti_.*\/assessment$/.test(folded)) return 'quiz';
  return 'other';
}

export const isHtmlName = (path: string): boolean => /\.(html?|xhtml)$/i.test(path.replace(/[?#].*$/, ''));

const mediaTypes: Readonly<Record<string, string>> = {
  html: 'text/html',
  htm: 'text/html',
  xhtml: 'application/xhtml+xml',
  css: 'text/css',
  js: 'text/javascript',
  json: 'application/json',
  xml: 'application/xml',
  svg: 'image/svg+xml',
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  pdf: 'application/pdf',
  txt: 'text/plain',
  csv: 'text/csv',
  md: 'text/markdown',
  zip: 'application/zip',
  mp3: 'audio/mpeg',
  mp4: 'video/mp4',
  doc: 'application/msword',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  xls: 'application/vnd.ms-excel',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  ppt: 'application/vnd.ms-powerpoint',
  pptx: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  woff: 'font/woff',
  woff2: 'font/woff2',
  ttf: 'font/ttf',
  ics: 'text/calendar',
  vtt: 'text/vtt',
};

/** Media type by file name (IANA media types); unknown names are octet streams. */
export const mediaTypeOf = (path: string): string =>
  entryOf(mediaTypes, path.slice(path.lastIndexOf('.') + 1).toLowerCase()) ?? 'application/octet-stream';

/** Files whose text may hold links to others. */
export const holdsLinks = (path: string): boolean => /\.(html?|xhtml|css|svg|xml|qti|json)$/i.test(path);

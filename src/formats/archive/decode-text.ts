import { isAscii } from 'node:buffer';
import iconv from 'iconv-lite';
import type { IntakeNote } from '@/core/shell/result';

export interface DecodedText {
  readonly text: string;
  readonly encoding: string;
  /** Bytes of the byte-order mark, kept when the text is written again. */
  readonly mark: Buffer;
  /** What is wrong with its encoding and what was done instead, in words that follow a name; null where nothing is. */
  readonly oddity: string | null;
}

/** The line of the intake report for a text whose encoding is odd; none where nothing is. */
export const encodingNotes = ({ oddity }: DecodedText, where: string): IntakeNote[] =>
  oddity === null ? [] : [{ code: 'odd-encoding', message: oddity, where }];

const isEncoding = (name: string): boolean => iconv.encodingExists(name);
const unreadable = (encoding: string) =>
  `holds bytes that are not of its encoding, ${encoding}; they are shown as \ufffd`;

const utf8 = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true });

/**
 * Decodes a text the way a browser would: byte-order mark, then the declared charset, then UTF-8 where the bytes are
 * valid, else windows-1252 (WHATWG Encoding; WHATWG HTML, 13.2.3).
 */
export function decodeText(bytes: Buffer): DecodedText {
  const mark = byteOrderMark(bytes);
  if (mark) return decodedAs(bytes.subarray(mark.length), mark.encoding, bytes.subarray(0, mark.length));
  const none = Buffer.alloc(0);
  const declared = declaredCharset(bytes);
  const other = declared === 'utf-8' ? null : declared;
  if (other !== null && isEncoding(other)) return decodedAs(bytes, other, none);
  const unknown = other === null ? null : `declares the encoding “${other}”, which nobody knows`;
  try {
    const text = isAscii(bytes) ? bytes.toString('latin1') : utf8.decode(bytes);
    return { text, encoding: 'utf-8', mark: none, oddity: unknown && `${unknown}; it is read as UTF-8` };
  } catch {
    const reason = unknown ?? 'holds bytes that are no UTF-8';
    const text = iconv.decode(bytes, 'windows-1252');
    return { text, encoding: 'windows-1252', mark: none, oddity: `${reason}; it is read as windows-1252` };
  }
}

function decodedAs(bytes: Buffer, encoding: string, mark: Buffer): DecodedText {
  const text = iconv.decode(bytes, encoding, { stripBOM: false });
  // A text of our own may hold the character that stands for what can't be read.
  const isOdd = text.includes('\ufffd') && !iconv.encode(text, encoding).equals(bytes);
  return { text, encoding, mark, oddity: isOdd ? unreadable(encoding) : null };
}

/** Encodes a changed text as the original was; what its encoding lacks becomes a character reference. */
export function encodeText(text: string, like: Pick<DecodedText, 'encoding' | 'mark'>): Buffer {
  if (like.encoding === 'utf-8') return Buffer.concat([like.mark, Buffer.from(text, 'utf8')]);
  const safe = /^utf-?16/i.test(like.encoding)
    ? text
    : [...text]
        .map((c) => {
          const code = c.codePointAt(0) ?? 0;
          const isLacking = code > 127 && iconv.decode(iconv.encode(c, like.encoding), like.encoding) !== c;
          return isLacking ? `&#${code};` : c;
        })
        .join('');
  return Buffer.concat([like.mark, iconv.encode(safe, like.encoding)]);
}

function byteOrderMark(bytes: Buffer): { length: number; encoding: string } | null {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return { length: 3, encoding: 'utf-8' };
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { length: 2, encoding: 'utf-16le' };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { length: 2, encoding: 'utf-16be' };
  return null;
}

function declaredCharset(bytes: Buffer): string | null {
  const head = bytes.toString('latin1', 0, 1024);
  const name = (/<\?xml[^<>]*\sencoding\s*=\s*["']([\w.:-]+)/i.exec(head) ??
    /<meta[^<>]+charset\s*=\s*["']?\s*([\w.:-]+)/i.exec(head))?.[1];
  // Whoever could be read as far as this name wrote in single bytes, whatever the name says (WHATWG HTML, 13.2.3.2).
  if (name && /^(utf-?(16|32)|ucs)/i.test(name)) return null;
  return name
    ? name
        .toLowerCase()
        .replace(/^utf8$/, 'utf-8')
        .replace(/^iso-8859-1$|^us-ascii$/, 'windows-1252')
    : null;
}

import { hash } from 'node:crypto';
import type { Sha256 } from './refs';

/** SHA-256 of a text's UTF-8 bytes or of bytes (FIPS 180-4), in lower-case hexadecimal. */
export const digest = (data: string | Uint8Array): Sha256 => hash('sha256', data, 'hex') as Sha256;

/** A short fingerprint of some parts, 12 hexadecimal digits; the parts cannot run into each other. */
export const fingerprint = (...parts: readonly string[]): string =>
  digest(parts.map((p) => `${p.length}:${p}`).join('')).slice(0, 12);

import { readWebAddress } from '@/core/links/web-address';

/** The host of an address in lower case; null for what is no web address. */
export function hostOf(address: string): string | null {
  const url = readWebAddress(address);
  return url && /^https?:$/.test(url.protocol) ? url.hostname.toLowerCase() : null;
}

/** Is a host the named one or a part of it? A rule may be written with a scheme, a port or a leading `*.`. */
export function isHostOf(host: string, rule: string): boolean {
  const [named = ''] = rule
    .trim()
    .toLowerCase()
    .replace(/^[a-z]+:\/\//, '')
    .split(/[/:]/);
  const name = named.replace(/^\*\./, '');
  return name !== '' && (host === name || host.endsWith(`.${name}`));
}

import { withoutEnd } from '@/core/text/without-end';
const tracking = /^(utm_[a-z0-9_]*|gclid|fbclid)$/i;

/**
 * A web address as the URL standard reads it (WHATWG URL, 4.4); null for what is none. `//host/path` takes the page's
 * own scheme (RFC 3986, 4.2), which for a page of a course is https.
 */
export function readWebAddress(address: string): URL | null {
  const text = address.trim();
  try {
    return new URL(/^[\\/]{2}/.test(text) ? `https:${text}` : text);
  } catch {
    return null;
  }
}

/**
 * A web address made fit for comparing: scheme and host in lower case, http as https, default port, trailing slash and
 * the tracking parameters utm_*, gclid and fbclid aside. The fragment stays, since it names another place.
 */
export function webAddressKey(address: string): string {
  const url = readWebAddress(address);
  if (!url) return address.trim();
  // A default port is gone by now, whichever of the two it was.
  // Port 443 under http is no default: it would become one with the scheme.
  if (url.protocol === 'http:' && url.port !== '443') url.protocol = 'https:';
  for (const name of [...url.searchParams.keys()]) if (tracking.test(name)) url.searchParams.delete(name);
  if (!url.searchParams.size) url.search = '';
  url.pathname = withoutEnd(url.pathname, '/');
  return url.href.replace(/\/(?=[?#]|$)/, '');
}

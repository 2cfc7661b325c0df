const tracking = /^(utm_[a-z0-9_]*|gclid|fbclid)$/i;

/**
 * A web address made fit for comparing: scheme and host in lower case, default port, trailing slash and the tracking
 * parameters utm_*, gclid and fbclid aside. The fragment stays, since it names another place.
 */
export function webAddressKey(address: string): string {
  let url: URL;
  try {
    url = new URL(address.trim());
  } catch {
    return address.trim();
  }
  for (const name of [...url.searchParams.keys()]) if (tracking.test(name)) url.searchParams.delete(name);
  if (!url.searchParams.size) url.search = '';
  url.pathname = url.pathname.replace(/\/+$/, '');
  return url.href.replace(/\/(?=[?#]|$)/, '');
}

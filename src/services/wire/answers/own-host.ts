/** Does a Host header name this computer? Anything else is a page elsewhere trying to reach in (DNS rebinding). */
export function isOwnHost(host: string | null): boolean {
  return host !== null && /^(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?$/i.test(host);
}

/** May a changing request come from this origin? Browsers send Origin with every one of them. */
export function isOwnOrigin(origin: string | null, host: string | null, site: string | null): boolean {
  if (!isOwnHost(host)) return false;
  if (site !== null && site !== 'same-origin') return false;
  return origin === null ? site === 'same-origin' || site === null : origin === `http://${host}`;
}

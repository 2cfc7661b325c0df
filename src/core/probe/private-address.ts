import ipaddr from 'ipaddr.js';

/**
 * Is an IP address one that anybody on the internet can reach? Loopback, private, link-local, shared, documentation,
 * multicast and reserved ranges are not (RFC 6890 and the IANA special-purpose registries, as ipaddr.js has them), nor
 * is an IPv6 address that carries an IPv4 address inside (mapped, 6to4, Teredo, NAT64): it could carry a private one.
 * What is no IP address is not public either.
 */
export function isPublicAddress(address: string): boolean {
  // A zone such as %eth0 belongs to this computer’s own links.
  if (address.includes('%') || !ipaddr.isValid(address)) return false;
  const parsed = ipaddr.parse(address);
  if (parsed.range() !== 'unicast') return false;
  return parsed.kind() === 'ipv4' || parsed.match(globalUnicast);
}

/** All that is given out of IPv6 to be reached by anybody (RFC 4291, 2.5.4; IANA IPv6 address space). */
const globalUnicast = ipaddr.parseCIDR('2000::/3');

import ipaddr from 'ipaddr.js';

/** Names that never leave the machine or the network: RFC 6761, RFC 6762, RFC 8375, and ICANN's `internal` of 2024. */
const INNER_NAMES = /(^|\.)(localhost|local|internal|home\.arpa)\.?$/i;

/**
 * Does an address lie inside: this machine, a private network, a link, an address of no single host? By the registries of
 * IANA for IPv4 and IPv6 (RFC 6890), as `ipaddr.js` knows them; IPv4 written as IPv6 counts as IPv4.
 *
 * @param host name or address; IPv6 with or without brackets
 * @example isInner('10.0.0.7') // true
 */
export function isInner(host: string): boolean {
  const bare = host.replace(/^\[|\]$/g, '');
  if (!ipaddr.isValid(bare)) return INNER_NAMES.test(bare);
  return ipaddr.process(bare).range() !== 'unicast';
}

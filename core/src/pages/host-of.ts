/** Host of an address, with its port; '' for what has none (data:, relative). */
export const hostOfUrl = (url: string): string =>
  /^[a-z][a-z0-9+.-]*:\/\/(?:[^/@]*@)?([^/?#]+)/i.exec(url)?.[1]?.toLowerCase() ?? '';

/**
 * The last two labels of a host name, or all of an address: enough to tell a page's own hosts from third parties in
 * most cases.
 */
const siteOf = (host: string): string =>
  /^[\d.:[\]]+$/.test(host) ? host : host.replace(/:\d+$/, '').split('.').slice(-2).join('.');

/**
 * Does a resource come from somebody else? Told by the last two labels of the hosts: shops under one public suffix of
 * two labels (co.uk) pass for one another, which hides a third party but never makes one up.
 */
export function isThirdParty(url: string, pageHost: string): boolean {
  const host = hostOfUrl(url);
  return host !== '' && pageHost !== '' && siteOf(host) !== siteOf(pageHost);
}

import { isInner } from '.';

/** RFC 6890 and the registries it begins: private, loopback, link-local, shared, documentation, unique local. */
test.each([
  '127.0.0.1',
  '10.1.2.3',
  '172.16.0.1',
  '192.168.7.9',
  '169.254.169.254',
  '100.64.0.1',
  '0.0.0.0',
  '255.255.255.255',
  '[::1]',
  '::ffff:10.0.0.1',
  'fe80::1',
  'fd00::5',
  'localhost',
  'printer.local',
  'db.home.arpa',
  'metadata.internal',
])('%s lies inside', (host) => expect(isInner(host)).toBe(true));

test.each([
  '8.8.8.8',
  '172.32.0.1',
  '2606:4700::1111',
  'portal.example',
  'localhost.example',
  'local'.concat('.example'),
])('%s does not', (host) => expect(isInner(host)).toBe(false));

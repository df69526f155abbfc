import { peerOf, storeOf } from './called';

test.each([
  [{ 'db.namespace': 'orders', 'db.system.name': 'postgresql', 'server.address': 'db-1' }, 'orders'],
  [{ 'db.name': 'orders', 'db.system': 'postgresql', 'net.peer.name': 'db-1' }, 'orders'],
  // A cache has no database of its own: the host stands for it, and where that is not told either its kind.
  [{ 'db.system': 'redis', 'net.peer.name': 'cache-1' }, 'cache-1'],
  [{ 'db.system.name': 'redis', 'server.address': 'cache-1' }, 'cache-1'],
  [{ 'db.system': 'sqlite' }, 'sqlite'],
  [{ 'db.name': 'shop', 'db.system': 'postgresql' }, 'shop (postgresql)'],
  [{ 'db.namespace': 'shop' }, 'shop (store)'],
  [{ 'server.address': 'api.example' }, ''],
  [{}, ''],
])('the store of %j, called by shop: %s', (attributes, store) => expect(storeOf(attributes, 'shop')).toBe(store));

test.each([
  [{ 'server.address': 'maps.example', 'url.full': 'https://other.example/x' }, 'maps.example'],
  [{ 'net.peer.name': 'maps.example' }, 'maps.example'],
  [{ 'peer.service': 'maps', 'http.url': 'https://maps.example/tiles' }, 'maps'],
  [{ 'http.url': 'https://maps.example:8443/tiles?key=x' }, 'maps.example'],
  [{ 'http.url': '/tiles' }, ''],
  [{}, ''],
])('whom %j calls: %s', (attributes, peer) => expect(peerOf(attributes)).toBe(peer));

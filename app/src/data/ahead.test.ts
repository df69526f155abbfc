import { QueryClient } from '@tanstack/react-query';
import { readView } from '@/frame/view';
import { askAhead } from './ahead';
import { worstFirstQuery } from './incidents';

const asked: string[] = [];
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = ((path: string) => {
    asked.push(path);
    return Promise.resolve({ ok: true, json: () => Promise.resolve({ rows: [] }) });
  }) as never;
});
const openAt = (path: string) => {
  const queries = new QueryClient();
  globalThis.history.replaceState(null, '', path);
  askAhead(queries);
  return queries;
};

test('the list is asked for as its place will ask, and found there', async () => {
  const queries = openAt('/?last=15&rankBy=people&site=Harbour&sort-flows=-p95Ms');
  await queries.ensureQueryData(worstFirstQuery(readView({ last: '15', rankBy: 'people', site: 'Harbour' })));
  expect(asked).toEqual(['/api/session', '/api/worst-first?last=15&site=Harbour&rankBy=people']);
});

test('other places do not wait for a list that they do not show', () => {
  openAt('/flows?last=15');
  // Who looks is asked at every place.
  expect(asked).toEqual(['/api/session']);
});

test('a server that is away is no error before anybody looks', async () => {
  globalThis.fetch = () => Promise.reject(new TypeError('away'));
  const queries = openAt('/');
  await Promise.resolve();
  expect(queries.getQueryCache().getAll()).toHaveLength(2);
  queries.clear();
});

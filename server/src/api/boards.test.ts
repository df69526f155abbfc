import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { BoardViewShape, TileViewShape } from '../contract/boards';
import type { SharedLinkShape } from '../contract/handoffs';
import { describedAnswer } from '../fixtures/described-answer';
import { startTestServer, type TestServer } from '../fixtures/test-server';
import { send, steadyTraffic } from '../fixtures/traffic';

const nowMs = floorTo(Date.now(), MINUTE_MS);
let server: TestServer;

beforeAll(async () => {
  server = await startTestServer(
    {},
    {
      boards: [
        {
          name: 'Shop / today',
          for: 'The shop',
          tiles: [
            { shows: 'figure', figure: 'people' },
            { shows: 'list', most: 1 },
            { shows: 'curve', of: 'GET /shop', measure: 'failures' },
            { shows: 'curve', of: 'Pay' },
            { shows: 'promise', of: 'Shop answers' },
            { shows: 'journey' },
            { shows: 'feed', most: 2 },
            { shows: 'map' },
            { shows: 'text', text: 'Ring the shop first.' },
            { shows: 'figure', figure: 'failed', where: { site: 'North' } },
            { shows: 'figure', figure: 'crashes' },
          ],
        },
      ],
      promises: [
        { name: 'Shop answers', indicator: 'answered', target: 0.99, period: { kind: 'rolling', days: 7 } },
        { name: 'Another', indicator: 'answered', target: 0.5, period: { kind: 'rolling', days: 7 } },
      ],
      ownership: [{ team: 'Shop Team' }],
    },
  );
  const spans = steadyTraffic(nowMs - 150 * MINUTE_MS, 150, 20);
  for (let i = 0; i < spans.length; i += 1000) await send(server.url, spans.slice(i, i + 1000));
  await server.intake.settled();
  await server.engine.ask('settle', null);
}, 120_000);
afterAll(() => server.remove());

const NAME = encodeURIComponent('Shop / today');
const read = () => describedAnswer<BoardViewShape>(server.url, `/api/boards/${NAME}`, 'BoardView');
const change = (path: string, method: string, body?: object) =>
  fetch(`${server.url}/api/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  });
const only = ({ tiles }: BoardViewShape, at: number) => tiles[at] as TileViewShape;

test('each tile shows its view over its own window and filter', async () => {
  const view = await read();
  const { rows, together } = (await (await fetch(`${server.url}/api/worst-first`)).json()) as {
    rows: { id: number; people: { estimate: number } }[];
    together: { people: { estimate: number; low: number; high: number } };
  };
  expect(rows.length).toBeGreaterThan(0);
  expect(only(view, 0).figure?.range).toEqual(together.people);
  expect(together.people.low).toBeLessThan(together.people.estimate);
  expect(only(view, 1).rows?.map(({ id }) => id)).toEqual([rows[0]?.id]);
  expect(only(view, 2)).toMatchObject({
    title: 'GET /shop',
    nothing: '',
    curve: { chart: { name: 'failures', flow: 'GET /shop' } },
  });
  expect(only(view, 2).curve?.onsetMs).toBeGreaterThan(nowMs - 30 * MINUTE_MS);
  expect(only(view, 4).promise).toMatchObject({ name: 'Shop answers', target: 0.99 });
  expect(only(view, 6).feed?.happenings.length).toBeLessThanOrEqual(2);
  expect(only(view, 8)).toMatchObject({ path: '', tile: { text: 'Ring the shop first.' } });
});

test('a share is of what the filter leaves, with its interval', async () => {
  const { figure } = only(await read(), 9);
  const north = (await (await fetch(`${server.url}/api/flows?site=North`)).json()) as {
    rows: { attempts: number; failedShare: number }[];
  };
  const [flow] = north.rows;
  expect(figure?.of).toBe(`of ${flow?.attempts} attempts`);
  expect(figure?.range.estimate).toBeCloseTo(flow?.failedShare as number, 9);
  expect(figure?.range.low).toBeLessThan(flow?.failedShare as number);
});

test('what is not there is said in its tile; the others stand', async () => {
  const view = await read();
  expect(only(view, 3)).toMatchObject({ nothing: 'No flow is called “Pay”.', curve: null });
  expect(only(view, 5).nothing).toBe('Nobody was on a journey in this time.');
  expect(only(view, 7).nothing).toBe('No browser told of a page in this time.');
  expect(only(view, 10).nothing).toBe('Not one launch came in this time.');
  expect(await (await fetch(`${server.url}/api/boards/nowhere`)).json()).toMatchObject({
    status: 404,
    detail: 'no board is called “nowhere”',
  });
});

test('before anything came, nobody is counted as unhurt', async () => {
  const empty = await startTestServer();
  try {
    const { tiles } = await describedAnswer<BoardViewShape>(empty.url, '/api/boards/Duty%20desk', 'BoardView');
    expect(tiles[0]).toMatchObject({ nothing: 'No data has come in yet.', figure: null });
  } finally {
    await empty.remove();
  }
});

test('a link opens without a login, is counted once an opening, and ends', async () => {
  const make = async (body: object) => {
    const answer = await change(`boards/${NAME}/links`, 'POST', body);
    expect(answer.status).toBe(201);
    return (await answer.json()) as SharedLinkShape;
  };
  const whole = await make({ days: 1 });
  const one = await make({ tile: 8, days: 1 });
  const tokenOf = ({ url }: SharedLinkShape) => url?.split('/').at(-1) as string;
  const links = async () =>
    ((await (await fetch(`${server.url}/api/boards/${NAME}/links`)).json()) as { links: SharedLinkShape[] }).links;

  const shared = await describedAnswer<BoardViewShape>(server.url, `/api/shared-boards/${tokenOf(whole)}`, 'BoardView');
  expect(shared.tiles).toHaveLength(11);
  expect(shared.endsAt).toBe(whole.endsAt);
  // The page is opened once, and asks as long as it stays open.
  await fetch(`${server.url}/shared/${tokenOf(whole)}`);
  expect((await links()).map(({ kind, about, uses, url }) => [kind, about, uses, url]).sort()).toEqual([
    ['board', '', 1, null],
    ['tile', 'A text', 0, null],
  ]);

  const tile = await describedAnswer<BoardViewShape>(server.url, `/api/shared-boards/${tokenOf(one)}`, 'BoardView');
  expect(tile.tiles.map((shown) => shown.tile.text)).toEqual(['Ring the shop first.']);
  expect((await change(`boards/${NAME}/links/${one.id}`, 'DELETE')).status).toBe(204);
  const gone = await fetch(`${server.url}/api/shared-boards/${tokenOf(one)}`);
  expect([gone.status, gone.headers.get('cache-control')]).toEqual([404, 'no-store']);
  await server.database.query(`UPDATE shared_link SET ends_at = now() - interval '1 minute'`);
  expect((await fetch(`${server.url}/api/shared-boards/${tokenOf(whole)}`)).status).toBe(404);
  expect(await (await fetch(`${server.url}/shared/${tokenOf(whole)}`)).text()).toContain('This link is over');
  expect((await change(`boards/${NAME}/links`, 'POST', { tile: 40 })).status).toBe(400);
});

test('a shared board names nobody of the organisation', async () => {
  const told = await fetch(`${server.url}/v1/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/cloudevents+json' },
    body: JSON.stringify({
      specversion: '1.0',
      id: 'c-1',
      source: '/pipeline',
      type: 'toplens.change.flag',
      subject: 'shop-web',
      time: new Date(nowMs - 10 * MINUTE_MS).toISOString(),
      data: { title: 'new basket on', by: 'Dana' },
    }),
  });
  expect(told.status).toBeLessThan(300);
  await server.intake.settled();
  const boards = [{ name: 'Feed', tiles: [{ shows: 'feed', most: 50 }] }];
  const saved = await change('settings', 'POST', { who: 'Dana', key: 'boards', value: boards });
  expect(saved.status).toBe(201);
  const { url } = (await (await change('boards/Feed/links', 'POST', {})).json()) as SharedLinkShape;
  const kinds = async (path: string) =>
    ((await (await fetch(`${server.url}/api/${path}`)).json()) as BoardViewShape).tiles.flatMap(
      ({ feed }) => feed?.happenings.map(({ kind, title }) => `${kind} ${title}`) ?? [],
    );
  expect((await kinds('boards/Feed')).join()).toContain('Dana');
  expect((await kinds(`shared-boards/${url?.split('/').at(-1)}`)).join()).not.toContain('Dana');
});

test('boards that cannot be used are refused, naming the field', async () => {
  const refused = async (value: unknown) =>
    ((await (await change('settings', 'POST', { who: 'Dana', key: 'boards', value })).json()) as { detail: string })
      .detail;
  expect(await refused([{ name: 'A', tiles: [{ shows: 'weather' }] }])).toContain('shows');
  expect(await refused([{ name: 'A', tiles: [{ shows: 'list', minutes: 0 }] }])).toContain('minutes');
  expect(
    await refused([
      { name: 'A', tiles: [] },
      { name: 'A', tiles: [] },
    ]),
  ).toContain('each name once');
  expect(await refused([{ name: 'A', tiles: [{ shows: 'list', where: { colour: 'red' } }] }])).toContain('colour');
});

import { poissonDeviate, seededRandom } from '@toplens/core/stats';
import { floorTo, MINUTE_MS } from '@toplens/core/time';
import type { HandoffShape, ProofShape } from '../contract/handoffs';
import { send, testSpan, type TestSpan } from '../fixtures/traffic';
import { startTestServer, type TestServer } from '../fixtures/test-server';

const nowMs = floorTo(Date.now(), MINUTE_MS);
const TOKEN = 'desk-secret';
const ONSET = -110;
const FIX = -70;

/** Minutes before now, and the share of /shop that fails from then on. */
function traffic(route: string, failing: readonly (readonly [number, number])[], first: number): TestSpan[] {
  const random = seededRandom(first + 5);
  const spans: TestSpan[] = [];
  for (let minute = -240; minute < 0; minute++)
    for (let n = poissonDeviate(random, 25); n > 0; n--) {
      const share = [...failing].reverse().find(([from]) => minute >= from)?.[1] ?? 0.01;
      const startMs = nowMs + (minute + random()) * MINUTE_MS;
      const more = { failed: random() < share, route, person: `person-${Math.floor(random() * 5000)}` };
      spans.push(testSpan(first + spans.length, startMs, 80 + 60 * random(), more));
    }
  return spans;
}

/** It began, and was mended for good. */
const FIXED = traffic(
  '/shop',
  [
    [ONSET, 0.6],
    [FIX, 0.01],
  ],
  0,
);

interface Desk {
  server: TestServer;
  incident: number;
  hand: (key: string, more?: object) => Promise<HandoffShape>;
  answer: (id: string, body: object) => Promise<Response>;
  /** reports a fix as of so many minutes before now */
  fix: (id: string, minute?: number) => Promise<void>;
  whole: (id: string) => Promise<HandoffShape>;
  until: (id: string, state: string) => Promise<HandoffShape>;
}

async function startDesk(spans: readonly TestSpan[]): Promise<Desk> {
  const server = await startTestServer(
    { deskUrl: '', deskToken: TOKEN },
    { ownership: [{ flow: '*shop*', team: 'Shop Team' }, { team: 'Desk' }] },
  );
  for (let i = 0; i < spans.length; i += 2_000)
    expect((await send(server.url, spans.slice(i, i + 2_000))).status).toBe(200);
  await server.intake.settled();
  await server.engine.ask('settle', null);
  const json = async <Answer>(path: string, body?: object, headers: object = {}): Promise<Answer> => {
    const response = await fetch(`${server.url}/api${path}`, {
      method: body ? 'POST' : 'GET',
      ...(body && { body: JSON.stringify(body) }),
      headers: { 'content-type': 'application/json', ...headers },
    });
    return (await response.json()) as Answer;
  };
  const window = { fromMs: nowMs + (ONSET - 10) * MINUTE_MS, toMs: nowMs + FIX * MINUTE_MS };
  const query = new URLSearchParams({
    from: new Date(window.fromMs).toISOString(),
    to: new Date(window.toMs).toISOString(),
  }).toString();
  const { rows } = await json<{ rows: { id: number }[] }>(`/worst-first?${query}`);
  const incident = rows[0]?.id as number;
  const whole = (id: string) => json<HandoffShape>(`/handoffs/${id}`);
  const answer = (id: string, body: object) =>
    fetch(`${server.url}/api/handoffs/${id}/answer`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${TOKEN}` },
      body: JSON.stringify(body),
    });
  return {
    server,
    incident,
    whole,
    answer,
    hand: async (key, more = {}) => {
      const made = await json<HandoffShape>(
        '/handoffs',
        { incident, team: 'Shop Team', note: '', ...window, ...more },
        { 'idempotency-key': key },
      );
      // There is no desk in this test: it is as if it had been delivered.
      await server.database.query(`UPDATE handoff SET state = 'sent' WHERE id = $1`, [made.id]);
      return made;
    },
    fix: async (id, minute = FIX) => {
      expect((await answer(id, { answer: 'taken', by: 'Shop Team' })).status).toBe(200);
      const fixedAt = new Date(nowMs + minute * MINUTE_MS).toISOString();
      expect((await answer(id, { answer: 'fixReported', by: 'Shop Team', fixedAt })).status).toBe(200);
    },
    until: async (id, state) => {
      for (let tries = 0; tries < 300; tries++) {
        const handoff = await whole(id);
        if (handoff.state === state) return handoff;
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      throw new Error(`never ${state}: ${JSON.stringify((await whole(id)).trail)}`);
    },
  };
}

test('a fix that took the harm away is proven, with all that it cost, for every team that had it', async () => {
  const desk = await startDesk(FIXED);
  try {
    const cause = await desk.hand('one');
    const workaround = await desk.hand('two', { team: 'Desk', purpose: 'workaround' });
    expect([cause.purpose, workaround.purpose]).toEqual(['cause', 'workaround']);
    expect((await fetch(`${desk.server.url}/api/handoffs/${cause.id}/proof`)).status).toBe(404);
    await desk.fix(cause.id);
    const proven = await desk.until(cause.id, 'proven');
    expect(proven.trail.map(({ what }) => what)).toEqual(['written', 'taken', 'fixReported', 'watching', 'proven']);
    expect(proven.outcome?.proof.remaining.high).toBeLessThan(0.1);
    expect(proven.outcome?.proof.parts[0]).toMatchObject({ flow: 'GET /shop', signal: 'failing', isStillThere: false });
    expect(proven.outcome?.proof.parts[0]?.before).toBeCloseTo(0.6, 1);
    // 40 minutes, 25 attempts a minute, 60 % of them fail.
    expect(proven.outcome?.total?.people).toBeGreaterThan(400);
    expect(proven.outcome?.total?.harm).toBeGreaterThan(2_000);
    expect((await desk.whole(workaround.id)).trail.at(-1)).toMatchObject({
      what: 'proven',
      detail: expect.stringContaining('the fix of Shop Team') as string,
    });
    const report = await fetch(`${desk.server.url}/api/handoffs/${cause.id}/report`);
    const page = await report.text();
    expect(page).toContain('**Proven: back to normal.**');
    expect(page).toMatch(/\| GET \/shop \| failed \| (5|6)\d % \| [\d.]+ % \|/);
    const csv = await (await fetch(`${desk.server.url}/api/handoffs/${cause.id}/report?as=csv`)).text();
    expect(csv.split('\r\n')[1]).toMatch(/^GET \/shop,failing,0\.[56]/);
    const times = (await (await fetch(`${desk.server.url}/api/handoff-times`)).json()) as {
      byTeam: { name: string; handoffs: number; proven: number }[];
    };
    expect(times.byTeam).toEqual([
      expect.objectContaining({ name: 'Desk', handoffs: 1, proven: 1 }),
      expect.objectContaining({ name: 'Shop Team', handoffs: 1, proven: 1 }),
    ]);
  } finally {
    await desk.server.remove();
  }
});

test('half a fix is told as such with what is still off, and a second one is watched anew', async () => {
  const desk = await startDesk(
    traffic(
      '/shop',
      [
        [ONSET, 0.6],
        [FIX, 0.25],
        [-35, 0.01],
      ],
      0,
    ),
  );
  try {
    const { id } = await desk.hand('one');
    // Reported twenty minutes after it was really fixed: nothing before the report counts for it.
    await desk.fix(id, FIX);
    const told = await desk.until(id, 'inPart');
    expect(told.trail.at(-1)?.detail).toMatch(/^\d+ % of the harm goes on \(.*\); still off: GET \/shop/);
    expect(told.waits).toMatchObject({ for: 'fix', isLate: false });
    // It was calm for half an hour since: the next look begins there.
    const proven = await desk.until(id, 'proven');
    expect(proven.trail.map(({ what }) => what)).toEqual([
      'written',
      'taken',
      'fixReported',
      'watching',
      'inPart',
      'proven',
    ]);
  } finally {
    await desk.server.remove();
  }
});

test('what goes on as before is not proven, and a second report of a fix is watched from then on', async () => {
  const desk = await startDesk(traffic('/shop', [[ONSET, 0.6]], 0));
  try {
    const { id } = await desk.hand('one');
    await desk.fix(id);
    const told = await desk.until(id, 'notProven');
    expect(told.outcome?.proof.remaining.low).toBeGreaterThan(0.5);
    expect((await desk.answer(id, { answer: 'fixReported', by: 'Shop Team' })).status).toBe(200);
    const again = await desk.until(id, 'fixReported');
    const proof = (await (await fetch(`${desk.server.url}/api/handoffs/${id}/proof`)).json()) as ProofShape;
    expect(proof).toMatchObject({ verdict: 'watching', isEffective: false });
    expect(again.state).toBe('fixReported');
  } finally {
    await desk.server.remove();
  }
});

test('returned: the next team is proposed with what was said; moved and merged are kept as they were told', async () => {
  const desk = await startDesk(FIXED);
  try {
    const first = await desk.hand('one');
    expect((await desk.answer(first.id, { answer: 'returned', reason: 'our shop is well' })).status).toBe(200);
    const returned = await desk.whole(first.id);
    expect(returned.next?.team).toBe('Desk');
    expect(returned.next?.reason).toContain('Shop Team returned it (our shop is well)');
    const second = await desk.hand('two', { team: 'Desk' });
    expect(second.markdown).toContain('**Before** Shop Team returned it: our shop is well');
    expect((await desk.whole(second.id)).waits).toMatchObject({ for: 'accept', isLate: false });

    expect((await desk.answer(second.id, { answer: 'moved' })).status).toBe(400);
    expect((await desk.answer(second.id, { answer: 'moved', team: 'Night Desk', reason: 'after six' })).status).toBe(
      200,
    );
    const moved = await desk.whole(second.id);
    expect(moved).toMatchObject({ team: 'Night Desk', state: 'sent' });
    expect(moved.trail.at(-1)).toMatchObject({ what: 'moved', detail: 'from Desk to Night Desk, after six' });
    // What was told stays as it was told.
    expect(moved.markdown).toBe(second.markdown);
    expect((await desk.answer(second.id, { answer: 'merged', into: 'INC-4711' })).status).toBe(200);
    expect((await desk.whole(second.id)).trail.at(-1)).toMatchObject({ what: 'merged', detail: 'into INC-4711' });
  } finally {
    await desk.server.remove();
  }
});

test('a link opens the brief without a login and without persons until it is revoked; another lets the team answer', async () => {
  const desk = await startDesk(FIXED);
  try {
    const { id, markdown } = await desk.hand('one');
    const link = async (body: object) => {
      const response = await fetch(`${desk.server.url}/api/handoffs/${id}/links`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      return { status: response.status, ...((await response.json()) as { id: string; url: string; field?: string }) };
    };
    expect(markdown).toMatch(/person [\da-f]{4}-[\da-f]{4}/);
    const read = await link({ days: 3 });
    const page = await (await fetch(read.url)).text();
    expect(page).toContain('The harm bill');
    expect(page).not.toMatch(/person [\da-f]{4}-/);
    expect(page).not.toContain('<form');
    expect((await fetch(read.url, { method: 'POST', body: new URLSearchParams({ answer: 'taken' }) })).status).toBe(
      403,
    );
    expect((await desk.whole(id)).links[0]).toMatchObject({ kind: 'brief', uses: 2, url: null });
    const revoke = await fetch(`${desk.server.url}/api/handoffs/${id}/links/${read.id}`, { method: 'DELETE' });
    expect(revoke.status).toBe(204);
    const gone = await fetch(read.url);
    expect(gone.status).toBe(404);
    expect(await gone.text()).toContain('This link is over');

    const { url } = await link({ kind: 'answer' });
    expect(await (await fetch(url)).text()).toContain('value="taken"');
    const returned = await fetch(url, {
      method: 'POST',
      body: new URLSearchParams({ answer: 'returned', reason: '' }),
    });
    expect(returned.status).toBe(400);
    expect(await returned.text()).toContain('say why it is returned');
    await fetch(url, { method: 'POST', body: new URLSearchParams({ answer: 'taken', reason: 'on it' }) });
    expect((await desk.whole(id)).trail.at(-1)).toMatchObject({ what: 'taken', detail: 'by Shop Team: on it' });
    await desk.server.database.query(`UPDATE shared_link SET ends_at = now() - interval '1 minute'`);
    expect((await fetch(url)).status).toBe(404);
    expect(await link({ days: 900 })).toMatchObject({ status: 400, field: 'days' });
  } finally {
    await desk.server.remove();
  }
});

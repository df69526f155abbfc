import { setTimeout as sleep } from 'node:timers/promises';

/**
 * `node --import tsx scenario/src/past-handoffs.ts URL DESK_URL`: what the support team of the demo has handed over
 * before anybody looks: a past incident whose fix is proven by its figures, and one that came back with a reason.
 * All of it goes the way that people go: the server's API, and the desk.
 */
const [url = 'http://127.0.0.1:4400', deskUrl = 'http://127.0.0.1:4410'] = process.argv.slice(2);
const DAY_MS = 86_400_000;
const HALF_HOUR_MS = 1_800_000;
const PATIENCE_MS = 120_000;

async function json<Answer>(address: string, body?: object, headers: Record<string, string> = {}): Promise<Answer> {
  const response = await fetch(address, {
    method: body ? 'POST' : 'GET',
    headers: { 'content-type': 'application/json', ...headers },
    ...(body && { body: JSON.stringify(body) }),
  });
  if (!response.ok) throw new Error(`${address}: ${response.status} ${await response.text()}`);
  return (await response.json()) as Answer;
}

async function until(what: string, holds: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + PATIENCE_MS; !(await holds()); await sleep(500))
    if (Date.now() > end) throw new Error(`waited in vain for: ${what}`);
}

const iso = (ms: number) => new Date(ms).toISOString();
const windowQuery = (fromMs: number, toMs: number) => `from=${iso(fromMs)}&to=${iso(toMs)}`;

interface Incident {
  id: number;
  onsetMs: number;
  endMs: number;
  proposedTeam: { team: string } | null;
}

/** Sends an incident to the team that should get it, and waits until it has accepted. */
async function handOver(incident: Incident, note: string): Promise<string> {
  const { id } = await json<{ id: string }>(
    `${url}/api/handoffs`,
    {
      incident: incident.id,
      team: incident.proposedTeam?.team ?? '',
      note,
      fromMs: incident.onsetMs - HALF_HOUR_MS,
      toMs: incident.endMs + HALF_HOUR_MS / 3,
    },
    { 'idempotency-key': `past-${incident.id}-${incident.onsetMs}` },
  );
  await until('the team to accept it', async () => {
    const { state } = await json<{ state: string }>(`${url}/api/handoffs/${id}`);
    return state !== 'draft' && state !== 'sent';
  });
  return id;
}

const incidentOf = (id: number, fromMs: number, toMs: number) =>
  json<Incident>(`${url}/api/incidents/${id}?${windowQuery(fromMs, toMs)}`);
const answer = (id: string, what: string, body: object) => json(`${deskUrl}/tickets/${id}/${what}`, body);

const now = Date.now();
const { happenings } = await json<{ happenings: { path: string; atMs: number; team: string }[] }>(
  `${url}/api/happened?kind=over&${windowQuery(now - 10 * DAY_MS, now - DAY_MS)}`,
);
const past = happenings.find(({ team }) => team !== '');
if (past) {
  const incident = await incidentOf(
    Number(past.path.split('/').at(-1)),
    past.atMs - DAY_MS / 2,
    past.atMs + HALF_HOUR_MS,
  );
  const id = await handOver(incident, 'Seen in the review of last week.');
  await answer(id, 'fixReported', { reason: 'switched back to the old gateway', fixedAt: iso(incident.endMs) });
  await until('the figures to prove it', async () => {
    const { state } = await json<{ state: string }>(`${url}/api/handoffs/${id}`);
    return state === 'proven';
  });
}
const { rows } = await json<{ rows: { id: number; handoff: object | null; proposedTeam: string | null }[] }>(
  `${url}/api/worst-first`,
);
const mild = [...rows].reverse().find(({ handoff, proposedTeam }) => handoff === null && proposedTeam !== null);
if (mild) {
  const id = await handOver(await incidentOf(mild.id, now - HALF_HOUR_MS * 2, now), '');
  await answer(id, 'returned', { reason: 'our servers are as usual, see the line to the depots' });
}
console.log('handed over before: done');

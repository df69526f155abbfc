import { LAUNCHES, launchFlow, screenFlow } from '@toplens/core/flows';
import { maskText } from '@toplens/core/masking';
import { sessionId, whereAddressesFail } from '@toplens/core/phones';
import { DAY_MS } from '@toplens/core/time';
import type { PhoneAddressesShape, PhoneSessionPageShape, PhoneSessionsShape } from '../contract/phones';
import { parseFlowText } from '../names/flow-text';
import type { Database } from '../store/database';
import {
  addressesWithin,
  addressSlices,
  crashesOfSession,
  momentsOfSession,
  serverAttemptsOf,
  sessionsWithin,
  stretchOfSession,
  type StoredMoment,
} from '../store/phone-moments';
import { phoneScope } from '../store/phone-scope';
import { attemptsOfSession, outfitOfSession, type SessionAttempt } from '../store/phones';
import type { PhoneQuestion } from './phone';

const MOST_ADDRESSES = 200;
const MOST_SESSIONS = 100;
/** Of a longer window the sessions of its last day are told: what happened in older ones is hardly kept any longer. */
const LONGEST_MS = DAY_MS;
const MOST_ATTEMPTS = 500;
const MOST_MOMENTS = 4_000;

/** What phones asked of servers, by address, and where that fails more often. */
export async function phoneAddresses(
  database: Database,
  { window, application, values }: PhoneQuestion,
): Promise<PhoneAddressesShape> {
  const scope = await phoneScope(database, window, values);
  const found = await addressesWithin(database, { scope, application, most: MOST_ADDRESSES + 1 });
  const addresses = found.slice(0, MOST_ADDRESSES);
  const slices = await addressSlices(database, { scope, application });
  const failing = whereAddressesFail(
    addresses,
    slices.filter(({ failed }) => failed > 0),
  );
  const countries = new Map<string, number>();
  for (const { address, dimension } of slices)
    if (dimension === 'country') countries.set(address, (countries.get(address) ?? 0) + 1);
  return {
    window,
    isCut: found.length > MOST_ADDRESSES,
    addresses: addresses.map((one) => {
      const where = failing.get(one.address);
      return {
        ...one,
        countries: countries.get(one.address) ?? 0,
        where: where
          ? {
              dimension: where.dimension,
              value: where.value,
              requests: where.requests,
              failed: where.failed,
              times: finite(where.times),
              low: where.low,
              high: finite(where.high),
            }
          : null,
      };
    }),
  };
}

const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);

/** Sessions on phones, the worst first. */
export async function phoneSessions(
  database: Database,
  question: PhoneQuestion & { address: string | undefined },
): Promise<PhoneSessionsShape> {
  const fromMs = Math.max(question.window.fromMs, question.window.toMs - LONGEST_MS);
  const window = { fromMs, toMs: question.window.toMs };
  const { application, address, values } = question;
  const scope = await phoneScope(database, window, values);
  const found = await sessionsWithin(database, { scope, application, address, most: MOST_SESSIONS + 1 });
  return {
    window,
    isLastDay: fromMs > question.window.fromMs,
    isCut: found.length > MOST_SESSIONS,
    sessions: found.slice(0, MOST_SESSIONS).map((one) => ({ ...one, session: sessionId(one.session) })),
  };
}

/** One session: attempts, crashes and moments on one clock; null when nothing of it is kept. */
export async function phoneSession(database: Database, session: number): Promise<PhoneSessionPageShape | null> {
  const window = await stretchOfSession(database, session);
  if (!window) return null;
  const [attempts, moments, crashes, outfit] = await Promise.all([
    attemptsOfSession(database, { session, window, most: MOST_ATTEMPTS }),
    momentsOfSession(database, { session, window, most: MOST_MOMENTS }),
    crashesOfSession(database, { session, window }),
    outfitOfSession(database, session, window),
  ]);
  const requests = moments.filter(({ kind }) => kind === 'request');
  const begun = await serverAttemptsOf(
    database,
    requests.map(({ traceId }) => traceId).filter((traceId) => traceId !== ''),
  );
  const ofTrace = new Map(attempts.map(({ traceId, spanId }) => [traceId, { traceId, spanId }]));
  const crashIds = new Set(crashes.map(({ id }) => id));
  const entries: PhoneSessionPageShape['entries'] = [
    // A crash is an attempt as well: it stands here once.
    ...attempts.filter(({ spanId }) => !crashIds.has(spanId)).map(entryOfAttempt),
    ...crashes.map(({ id, atMs, type, message, screen }) => ({
      ...NOTHING,
      kind: 'crash' as const,
      atMs,
      what: screen === '' ? type : `${type} on ${screen}`,
      failed: true,
      words: maskText(message),
      crash: id,
    })),
    ...moments
      .filter(({ kind }) => kind !== 'usage' && kind !== 'shape')
      .map((moment) => ({
        ...entryOfMoment(moment),
        attempt: begun.get(`${moment.traceId}${moment.spanId}`) ?? ofTrace.get(moment.traceId) ?? null,
      })),
  ];
  return {
    session: sessionId(session),
    window,
    isCut: attempts.length === MOST_ATTEMPTS || moments.length === MOST_MOMENTS,
    ...outfit,
    entries: entries.sort((a, b) => a.atMs - b.atMs || b.durationMs - a.durationMs),
    usage: moments.filter(({ kind }) => kind === 'usage').map(({ atMs, cpu, memory }) => ({ atMs, cpu, memory })),
    shapes: moments.flatMap(({ atMs, what, detail }) =>
      detail?.shape ? [{ atMs, screen: what, ...detail.shape }] : [],
    ),
  };
}

const NOTHING = { durationMs: 0, words: '', attempt: null, crash: null, bytesIn: null, bytesOut: null };

function entryOfAttempt({ traceId, spanId, atMs, durationMs, failed, flow, failure }: SessionAttempt) {
  const { technicalName } = parseFlowText(flow);
  const launch = LAUNCHES.find((one) => technicalName === launchFlow(one));
  const screen = screenFlow('');
  const isScreen = technicalName.startsWith(screen);
  return {
    ...NOTHING,
    kind: launch ? ('launch' as const) : isScreen ? ('screen' as const) : ('work' as const),
    atMs,
    durationMs,
    what: launch ? `${launch} start` : isScreen ? technicalName.slice(screen.length) : technicalName,
    failed,
    words: failure,
    attempt: { traceId, spanId },
  };
}

function entryOfMoment({ kind, atMs, durationMs, what, failed, status, bytesIn, bytesOut, detail }: StoredMoment) {
  return {
    ...NOTHING,
    kind: kind as 'request' | 'error' | 'tap' | 'state',
    atMs,
    durationMs,
    what,
    failed,
    words:
      kind === 'request'
        ? status > 0
          ? `status ${status}`
          : failed
            ? 'no answer'
            : ''
        : maskText(detail?.message ?? ''),
    bytesIn,
    bytesOut,
  };
}

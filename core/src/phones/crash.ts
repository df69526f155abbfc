import { launchFlow, screenFlow } from '../flows';
import type { LogRecord } from '../formats';
import {
  cleanLines,
  cleanText,
  DEFAULT_LIMITS,
  eventOf,
  isSpanId,
  outfitOf,
  RecordRefused,
  whyTimeRejected,
  type Attempt,
  type TimeRange,
} from '../telemetry';
import { senderOf } from './sender';

/** Event of the OpenTelemetry semantic conventions by which an application tells that it crashed. */
export const CRASH_EVENT = 'app.crash';

export const isCrash = (record: LogRecord): boolean => eventOf(record) === CRASH_EVENT;

/** An application that ended by a crash in somebody's hand. */
export interface Crash {
  /** 16 hexadecimal digits: the same crash sent again adds nothing */
  id: string;
  atUs: number;
  component: string;
  application: string;
  version: string;
  person: string;
  session: string;
  /** model of the device */
  device: string;
  /** "Android 16" */
  system: string;
  carrier: string;
  country: string;
  /** place of work; '' when not told */
  site: string;
  /** what was on the screen; '' when not told */
  screen: string;
  type: string;
  message: string;
  stack: string;
  /** the thread that crashed; '' when not told */
  thread: string;
  /** the other threads, as far as told */
  threads: Thread[];
  /** what happened just before, oldest first */
  trail: TrailEntry[];
  /** attempt that was under way, which the phone tells as failed itself; '' when none is named */
  spanId: string;
}

export interface Thread {
  name: string;
  stack: string;
}

export interface TrailEntry {
  atMs: number;
  what: string;
}

const MOST_THREADS = 60;
const MOST_TRAIL = 200;

/**
 * The crash that a log record tells of: `app.crash` with `app.crash.id` and `exception.*`, names as in the OpenTelemetry
 * semantic conventions. What these do not have: `toplens.threads`, a JSON list of `{ "name", "stack" }`, and
 * `toplens.trail`, one of `{ "at": milliseconds since the epoch, "what" }`. Lists that are cut off or no lists are read
 * as far as they go.
 *
 * @param idOf 16 hexadecimal digits for a text
 * @throws RecordRefused naming the attribute
 */
export function crashOfRecord(record: LogRecord, range: TimeRange, idOf: (text: string) => string): Crash {
  const { atUs, attributes, resource, spanId } = record;
  const raw = (name: string) => String(attributes[name] ?? resource[name] ?? '');
  const text = (...names: string[]) => cleanText(names.map(raw).find(Boolean) ?? '');
  const crashId = raw('app.crash.id');
  if (crashId === '') throw new RecordRefused('app.crash.id: missing: without it a crash sent twice would count twice');
  const wrongTime = whyTimeRejected(atUs, range);
  if (wrongTime !== undefined) throw new RecordRefused(`timeUnixNano: ${wrongTime}`);
  const sender = senderOf(text);
  const { system } = outfitOf((name) => text(name));
  const { lengths } = DEFAULT_LIMITS;
  return {
    id: isSpanId(crashId) ? crashId : idOf(`${sender.component}\u001f${crashId}`),
    atUs,
    ...sender,
    person: text('user.id', 'enduser.id'),
    system: [system, text('os.version')].filter(Boolean).join(' '),
    site: text('toplens.site'),
    screen: text('app.screen.name'),
    type: text('exception.type') || 'Crash',
    message: cleanText(raw('exception.message'), lengths.message),
    stack: cleanLines(raw('exception.stacktrace'), lengths.stack),
    thread: text('thread.name'),
    threads: listIn(raw('toplens.threads'))
      .slice(0, MOST_THREADS)
      .map((one) => ({
        name: cleanText(textIn(one.name)),
        stack: cleanLines(textIn(one.stack), lengths.stack),
      })),
    trail: listIn(raw('toplens.trail'))
      .slice(-MOST_TRAIL)
      .map((one) => ({ atMs: Number(one.at), what: cleanText(textIn(one.what)) }))
      .filter(({ atMs, what }) => Number.isFinite(atMs) && what !== ''),
    spanId: isSpanId(spanId) ? spanId : '',
  };
}

const textIn = (value: unknown): string => (typeof value === 'string' ? value : '');

/** Objects of a JSON list, also of one that was cut off in the middle. */
function listIn(text: string): Record<string, unknown>[] {
  const whole = parsed(text) ?? parsed(`${text.slice(0, text.lastIndexOf('}') + 1)}]`);
  return Array.isArray(whole)
    ? whole.filter((one): one is Record<string, unknown> => typeof one === 'object' && one !== null)
    : [];
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/**
 * A crash as a failed attempt of the screen that was shown (of the launch, where no screen is told), so that crashes are
 * judged, billed and ranked as all that fails. When the crash names an attempt, the phone tells that one itself.
 */
export function attemptOfCrash(crash: Crash): Attempt | undefined {
  if (crash.spanId !== '') return undefined;
  const { id, atUs, component, application, version, person, session, device, carrier, country, screen } = crash;
  return {
    traceId: id.repeat(2),
    spanId: id,
    parentSpanId: '',
    startUs: atUs,
    durationUs: 0,
    flow: screen === '' ? launchFlow('cold') : screenFlow(screen),
    application,
    component,
    zone: '',
    ranOn: [device, crash.system].filter(Boolean).join(' · '),
    isUserSide: true,
    isHandheld: true,
    failed: true,
    crashed: true,
    probe: false,
    kind: 'work',
    failure: crash.type,
    detail: undefined,
    person,
    session,
    site: crash.site,
    version,
    region: country,
    tier: '',
    promotion: '',
    item: '',
    host: '',
    device,
    browser: '',
    system: crash.system.split(' ')[0] ?? '',
    carrier,
    department: '',
    role: '',
    station: '',
    server: '',
    userAgent: '',
    valueMinor: NaN,
    currency: '',
  };
}

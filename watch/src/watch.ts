import { hostname } from 'node:os';
import { randomUUID } from 'node:crypto';
import { parseVariable, type Variable, type WatchPoint, type WatchState } from '@toplens/core/watch';
import { activeTrace } from './active-trace';
import { Breakpoints } from './breakpoints';
import { readVariable } from './read-variable';
import { valueWords } from './value-words';

export interface WatchOptions {
  /** where Top Lens is, as `https://toplens.example` */
  url: string;
  /** key of a service; '' where none is needed */
  key: string;
  /** name of the component, as its telemetry has it */
  component: string;
  /** version that runs; '' when that is not known */
  version?: string;
}

export interface RunningWatch {
  /** Takes off all that is watched, and asks no more. */
  stop: () => void;
}

interface Reading {
  id: string;
  point: number;
  atMs: number;
  traceId: string;
  spanId: string;
  values: string[];
}

/** A watch point of this process. */
interface Watched extends WatchPoint {
  /** of each variable; undefined of what is none */
  parsed: (Variable | undefined)[];
  /** by the clock of `performance` */
  endsMs: number;
  taken: number;
}

/** What the server answers: which lines are to be watched, and when to ask again. */
interface Orders {
  everyMs: number;
  points: (WatchPoint & { endsInMs: number })[];
}

const FIRST_MS = 500;
const SOON_MS = 200;
const LONGEST_MS = 60_000;
const PATIENCE_MS = 10_000;
/** Held while the server is away; the oldest go first. */
const MOST_HELD = 500;
/** A request of the longest values is below the megabyte that is taken. */
const MOST_AT_ONCE = 25;
/** Never taken, however often they are sent. */
const REFUSED: ReadonlySet<number> = new Set([400, 413]);

/**
 * Asks Top Lens now and then which lines of this service are to be watched, and tells what their variables hold. Nothing
 * of the service waits for it, and it keeps no process alive.
 */
export function startWatch({ url, key, component, version = '' }: WatchOptions): RunningWatch {
  const instance = `${hostname()}:${process.pid}`;
  const points = new Map<number, Watched>();
  let held: Reading[] = [];
  let isStopped = false;
  let timer: NodeJS.Timeout | undefined;
  let waitMs = FIRST_MS;

  const breakpoints = new Breakpoints((id, roots) => {
    const point = points.get(id);
    if (!point || performance.now() >= point.endsMs) return breakpoints.release(id, 'done');
    const values = point.variables.map((text, i) => {
      const [variable, root] = [point.parsed[i], roots[i]];
      return variable && root ? valueWords(text, readVariable(root, variable)) : '';
    });
    held.push({ id: randomUUID(), point: id, atMs: Date.now(), ...(activeTrace() ?? NO_TRACE), values });
    if (held.length > MOST_HELD) held.shift();
    if (++point.taken >= point.most) breakpoints.release(id, 'done');
  });

  /** @returns whether anything is watched now that was not */
  const follow = ({ points: wanted }: Orders): boolean => {
    let isMore = false;
    for (const id of [...points.keys()])
      if (!wanted.some((one) => one.id === id)) {
        points.delete(id);
        breakpoints.forget(id);
      }
    for (const { endsInMs, ...point } of wanted) {
      if (points.has(point.id)) continue;
      const parsed = point.variables.map(parseVariable);
      points.set(point.id, { ...point, parsed, endsMs: performance.now() + endsInMs, taken: 0 });
      breakpoints.set(point);
      isMore = true;
    }
    return isMore;
  };

  const exchange = async () => {
    const readings = held.slice(0, MOST_AT_ONCE);
    const places: { point: number; state: WatchState; line: number }[] = [...breakpoints.places].map(
      ([point, { state, line }]) => ({ point, state, line }),
    );
    try {
      const response = await fetch(`${url}/v1/watch`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', ...(key !== '' && { authorization: `Bearer ${key}` }) },
        body: JSON.stringify({ component, instance, version, places, readings }),
        redirect: 'error',
        signal: AbortSignal.timeout(PATIENCE_MS),
      });
      const orders = response.ok ? ((await response.json()) as Orders) : undefined;
      if (orders || REFUSED.has(response.status)) {
        const told = new Set(readings);
        held = held.filter((one) => !told.has(one));
      }
      if (!orders) throw new Error(String(response.status));
      if (isStopped) return;
      const isMore = follow(orders);
      // How a line stands is told at once, and what else was read: somebody looks.
      waitMs =
        isMore || held.length > 0 ? SOON_MS : Math.max(SOON_MS, Math.min(LONGEST_MS, orders.everyMs || LONGEST_MS));
    } catch {
      // Nobody would see what is read.
      for (const [id, { endsMs }] of points) if (performance.now() >= endsMs) breakpoints.release(id, 'done');
      waitMs = Math.min(LONGEST_MS, waitMs * 2);
    }
    again();
  };
  const again = () => {
    if (isStopped) return;
    timer = setTimeout(() => void exchange(), waitMs);
    timer.unref();
  };
  timer = setTimeout(() => void exchange(), FIRST_MS);
  timer.unref();
  return {
    stop: () => {
      isStopped = true;
      clearTimeout(timer);
      breakpoints.close();
    },
  };
}

const NO_TRACE = { traceId: '', spanId: '' };

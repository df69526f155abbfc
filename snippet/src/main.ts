import { onCLS, onFCP, onINP, onLCP, onTTFB } from 'web-vitals';
import { watchCalls, type Call } from './calls';
import { attributes, nanos, type Values } from './otlp';
import { randomId } from './random-id';
import { Resources } from './resources';
import { Sender } from './sender';
import { openSession } from './session';
import { asksForPrivacy, readSettings, type Settings } from './settings';
import { View } from './view';

/** After so long a view is told of again when something changed. */
const TELL_AFTER_MS = 3_000;
/** A page that does not come to its end is told of as far as it came. */
const TELL_AT_LATEST_MS = 8_000;
const MOST_ERRORS_A_VIEW = 20;

/**
 * What pages may call: `toplens.page('Checkout')`, `toplens.person('c-17', 'Gold')`, `toplens.event('Order placed')`.
 */
interface Toplens {
  /** names the view that is shown; without it the path names it */
  page: (name: string) => void;
  /** who it is, if the page wants that told; nothing is told by itself */
  person: (id: string, tier?: string) => void;
  /** something that counts, with what it is worth: `toplens.event('Order placed', 12.5, 'EUR')` */
  event: (name: string, amount?: number, currency?: string) => void;
}

const nothing = () => undefined;

function start(settings: Settings): Toplens {
  const session = openSession(settings.share, settings.keepsNothing);
  const sender = new Sender(
    settings.url,
    {
      'service.version': settings.version,
      'toplens.application': settings.application,
      'geo.country.iso_code': settings.country,
      'geo.region.iso_code': settings.area,
      'toplens.time_zone': Intl.DateTimeFormat().resolvedOptions().timeZone,
      'user_agent.original': navigator.userAgent,
      'toplens.connection': (navigator as { connection?: { effectiveType?: string } }).connection?.effectiveType,
      'telemetry.sdk.language': 'webjs',
    },
    window.fetch,
  );
  const common: Values = { 'session.id': session.id, 'toplens.share': settings.share };
  const event: Toplens['event'] = (name, amount, currency) =>
    sender.record({
      timeUnixNano: nanos(Date.now()),
      eventName: 'toplens.business_event',
      attributes: attributes({
        ...common,
        'toplens.event.id': randomId(8),
        'toplens.event.name': String(name).slice(0, 200),
        'toplens.value.amount': amount,
        'toplens.value.currency': currency,
      }),
    });
  // Money is counted whole: also of sessions whose pages are not told of.
  if (!session.isTold) return { page: nothing, person: nothing, event };
  const resources = new Resources(settings.url);
  let view = new View(window.top === window ? 'load' : 'frame', 0, location.pathname);
  let timer: ReturnType<typeof setTimeout> | undefined;

  const tellNow = () => {
    clearTimeout(timer);
    timer = undefined;
    sender.record(view.record(common, resources));
  };
  const tellSoon = () => {
    timer ??= setTimeout(tellNow, TELL_AFTER_MS);
  };
  const loaded = view;
  const vital = ({ name, value }: { name: string; value: number }) => {
    loaded.vitals[`toplens.vital.${name.toLowerCase()}`] = Math.round(value * 10_000) / 10_000;
    if (view === loaded) tellSoon();
    else sender.record(loaded.record(common, resources));
  };
  for (const on of [onTTFB, onFCP, onLCP, onINP, onCLS]) on(vital, { reportAllChanges: true });

  const nextView = () => {
    if (location.pathname === view.path) return;
    tellNow();
    view = new View('route', performance.now(), location.pathname);
    tellSoon();
  };
  for (const name of ['pushState', 'replaceState'] as const) {
    const original = history[name];
    history[name] = function (...all) {
      original.apply(this, all);
      nextView();
    };
  }
  addEventListener('popstate', nextView);
  addEventListener('load', tellSoon);
  setTimeout(tellSoon, TELL_AT_LATEST_MS);
  for (const kind of ['click', 'change'])
    addEventListener(
      kind,
      () => {
        view.interactions++;
        tellSoon();
      },
      { capture: true, passive: true },
    );
  addEventListener('visibilitychange', () => {
    if (document.visibilityState !== 'hidden') return;
    tellNow();
    sender.sendNow();
  });

  const tellError = (error: unknown, message: string) => {
    tellSoon();
    if (++view.errors > MOST_ERRORS_A_VIEW) return;
    const known = error instanceof Error ? error : undefined;
    sender.record({
      timeUnixNano: nanos(Date.now()),
      eventName: 'exception',
      attributes: attributes({
        ...common,
        'toplens.error.id': randomId(8),
        'toplens.view.id': view.id,
        'toplens.page': view.page || view.path,
        'exception.type': known?.name ?? 'Error',
        'exception.message': (known?.message ?? message).slice(0, 1_000),
        'exception.stacktrace': known?.stack?.slice(0, 7_000),
      }),
    });
  };
  addEventListener('error', (event) => {
    if (event.target === window || event.error) tellError(event.error, event.message);
  });
  addEventListener('unhandledrejection', ({ reason }) => tellError(reason, String(reason)));

  const onCall = ({ method, url, startMs, durationMs, status, traceId, spanId }: Call) => {
    const isFailed = status === 0 || status >= 400;
    resources.addCall([url.origin + url.pathname, 'fetch', startMs, durationMs, 0, isFailed ? 1 : 0, traceId, spanId]);
    sender.span({
      traceId,
      spanId,
      name: `${method} ${url.pathname}`,
      kind: 3,
      startTimeUnixNano: nanos(performance.timeOrigin + startMs),
      endTimeUnixNano: nanos(performance.timeOrigin + startMs + durationMs),
      attributes: attributes({
        ...common,
        'http.request.method': method,
        'url.path': url.pathname,
        'server.address': url.host,
        'http.response.status_code': status || undefined,
      }),
      status: { code: isFailed ? 2 : 0 },
    });
    tellSoon();
  };
  watchCalls({ traceOrigins: settings.traceOrigins, ignore: settings.url, onCall });

  return {
    page: (name) => {
      view.page = String(name).slice(0, 200);
      tellSoon();
    },
    person: (id, tier) => {
      Object.assign(common, { 'user.id': String(id).slice(0, 200), 'toplens.tier': tier });
      tellSoon();
    },
    event,
  };
}

// Nothing that goes wrong in here is the page's trouble.
try {
  const settings =
    document.currentScript instanceof HTMLScriptElement ? readSettings(document.currentScript) : undefined;
  const toplens = settings && !asksForPrivacy() ? start(settings) : undefined;
  (window as Window & { toplens?: Toplens }).toplens = toplens ?? { page: nothing, person: nothing, event: nothing };
} catch {
  // A browser that lacks what is needed is not told of.
}

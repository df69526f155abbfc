import { randomId } from './random-id';

export interface Call {
  method: string;
  url: URL;
  startMs: number;
  durationMs: number;
  /** 0 when there was no answer */
  status: number;
  traceId: string;
  spanId: string;
}

/** W3C Trace Context, version 00, sampled. */
const traceparent = (traceId: string, spanId: string) => `00-${traceId}-${spanId}-01`;

interface Watch {
  /** calls to these origins are told of the trace; others would have to allow the header first */
  traceOrigins: readonly string[];
  ignore: string;
  onCall: (call: Call) => void;
}

/** Watches `fetch` and XMLHttpRequest. What the page sees of them stays as it was; only `traceparent` is added. */
export function watchCalls(watch: Watch): void {
  watchFetch(watch);
  watchRequests(watch);
}

const begin = (method: string, url: URL): Call => ({
  method,
  url,
  startMs: performance.now(),
  durationMs: 0,
  status: 0,
  traceId: randomId(16),
  spanId: randomId(8),
});

function end(call: Call, status: number, { onCall }: Watch): void {
  onCall({ ...call, status, durationMs: performance.now() - call.startMs });
}

function watchFetch(watch: Watch): void {
  const original = window.fetch;
  window.fetch = function (input, init) {
    let call: Call | undefined;
    let request = init;
    try {
      const url = new URL(input instanceof Request ? input.url : String(input), location.href);
      if (!url.href.startsWith(watch.ignore)) {
        call = begin((init?.method ?? (input instanceof Request ? input.method : 'GET')).toUpperCase(), url);
        if (watch.traceOrigins.includes(url.origin)) {
          const headers = new Headers(init?.headers ?? (input instanceof Request ? input.headers : undefined));
          if (!headers.has('traceparent')) headers.set('traceparent', traceparent(call.traceId, call.spanId));
          request = { ...init, headers };
        }
      }
    } catch {
      // An address that cannot be read: the page's own call says so.
    }
    const answer = original.call(this, input, request);
    if (call) {
      const begun = call;
      answer.then(
        ({ status }) => end(begun, status, watch),
        () => end(begun, 0, watch),
      );
    }
    return answer;
  };
}

function watchRequests(watch: Watch): void {
  const { open, send } = XMLHttpRequest.prototype;
  const opened = new WeakMap<XMLHttpRequest, { method: string; url: URL }>();
  XMLHttpRequest.prototype.open = function (
    this: XMLHttpRequest,
    method: string,
    url: string | URL,
    ...rest: unknown[]
  ) {
    try {
      opened.set(this, { method: method.toUpperCase(), url: new URL(url, location.href) });
    } catch {
      opened.delete(this);
    }
    return (open as (...all: unknown[]) => void).call(this, method, url, ...rest);
  };
  XMLHttpRequest.prototype.send = function (body) {
    const target = opened.get(this);
    if (target && !target.url.href.startsWith(watch.ignore)) {
      const call = begin(target.method, target.url);
      if (watch.traceOrigins.includes(target.url.origin))
        this.setRequestHeader('traceparent', traceparent(call.traceId, call.spanId));
      this.addEventListener('loadend', () => end(call, this.status, watch), { once: true });
    }
    return send.call(this, body);
  };
}

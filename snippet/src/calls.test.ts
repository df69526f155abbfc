import { watchCalls, type Call } from './calls';

const OTHER = 'https://other.example';
const heard: Call[] = [];
const asked: { url: string; traceparent: string | null; own: string | null }[] = [];
let answer: () => Promise<{ status: number }> = () => Promise.resolve({ status: 200 });

const original = {
  fetch: ((input: RequestInfo | URL, init?: RequestInit) => {
    const headers = new Headers(init?.headers);
    asked.push({
      url: typeof input === 'string' ? input : 'href' in input ? input.href : input.url,
      traceparent: headers.get('traceparent'),
      own: headers.get('x-own'),
    });
    return answer();
  }) as typeof window.fetch,
  open: jest.fn(),
  send: jest.fn(),
};

// jsdom has no Request; what a page hands to fetch instead of an address is told by these three.
class RequestStandIn {
  readonly headers: Headers;
  readonly method: string;
  constructor(
    readonly url: string,
    { method = 'GET', headers }: RequestInit = {},
  ) {
    this.method = method;
    this.headers = new Headers(headers);
  }
}

beforeAll(() => {
  globalThis.Request = RequestStandIn as never;
  window.fetch = original.fetch;
  XMLHttpRequest.prototype.open = original.open;
  XMLHttpRequest.prototype.send = original.send;
  watchCalls({ traceOrigins: [location.origin], ignore: 'https://watch.example/', onCall: (call) => heard.push(call) });
});
beforeEach(() => {
  heard.length = asked.length = 0;
  answer = () => Promise.resolve({ status: 200 });
  jest.clearAllMocks();
});

describe('fetch', () => {
  test('the page gets its answer; the call is told with what it carried', async () => {
    await expect(window.fetch('/prices?from=1', { method: 'post' })).resolves.toEqual({ status: 200 });
    expect(heard).toHaveLength(1);
    const [call] = heard as [Call];
    expect(call).toMatchObject({ method: 'POST', status: 200 });
    expect(call.url.href).toBe(`${location.origin}/prices?from=1`);
    expect(call.durationMs).toBeGreaterThanOrEqual(0);
    expect(asked[0]?.traceparent).toBe(`00-${call.traceId}-${call.spanId}-01`);
    expect(call.traceId).toMatch(/^[0-9a-f]{32}$/);
  });

  test('other origins are not sent a header they would have to allow first', async () => {
    await window.fetch(`${OTHER}/rates`);
    expect(asked[0]?.traceparent).toBeNull();
    expect(heard.map(({ url }) => url.host)).toEqual(['other.example']);
  });

  test('a trace that the page began itself goes on', async () => {
    const own = `00-${'a'.repeat(32)}-${'b'.repeat(16)}-01`;
    await window.fetch('/prices', { headers: { traceparent: own } });
    expect(asked[0]?.traceparent).toBe(own);
  });

  test('a request that was made before keeps its method and its headers', async () => {
    await window.fetch(new Request(`${location.origin}/goods`, { method: 'DELETE', headers: { 'x-own': '1' } }));
    expect(heard.map(({ method, url }) => `${method} ${url.pathname}`)).toEqual(['DELETE /goods']);
    expect(asked[0]?.own).toBe('1');
    expect(asked[0]?.traceparent).toContain(heard[0]?.traceId);
  });

  test('no answer is told as none, and fails for the page as it did before', async () => {
    answer = () => Promise.reject(new TypeError('no network'));
    await expect(window.fetch('/prices')).rejects.toThrow('no network');
    expect(heard.map(({ status }) => status)).toEqual([0]);
  });

  test('what the snippet itself sends is not watched, and an address that cannot be read is the page’s own trouble', async () => {
    await window.fetch('https://watch.example/v1/browser');
    await window.fetch('http://[broken');
    expect(heard).toEqual([]);
    expect(asked.map(({ url }) => url)).toEqual(['https://watch.example/v1/browser', 'http://[broken']);
  });
});

describe('XMLHttpRequest', () => {
  const call = (url: string, status: number) => {
    const request = new XMLHttpRequest();
    const headers: string[] = [];
    request.setRequestHeader = (name) => headers.push(name);
    Object.defineProperty(request, 'status', { value: status });
    request.open('get', url);
    request.send('body');
    request.dispatchEvent(new ProgressEvent('loadend'));
    request.dispatchEvent(new ProgressEvent('loadend'));
    return headers;
  };

  test('is told once, at its end, with its status', () => {
    expect(call('/goods', 503)).toEqual(['traceparent']);
    expect(heard.map(({ method, status, url }) => [method, status, url.pathname])).toEqual([['GET', 503, '/goods']]);
    expect(original.open).toHaveBeenCalledWith('get', '/goods');
    expect(original.send).toHaveBeenCalledWith('body');
  });

  test('of other origins without a header, of the snippet’s own not at all', () => {
    expect(call(`${OTHER}/goods`, 200)).toEqual([]);
    expect(call('https://watch.example/v1/browser', 200)).toEqual([]);
    expect(heard.map(({ url }) => url.host)).toEqual(['other.example']);
  });

  test('one that is opened again is told for where it goes then', () => {
    const request = new XMLHttpRequest();
    request.setRequestHeader = () => undefined;
    request.open('GET', '/first');
    request.open('PUT', '/second');
    request.send();
    request.dispatchEvent(new ProgressEvent('loadend'));
    expect(heard.map(({ method, url }) => `${method} ${url.pathname}`)).toEqual(['PUT /second']);
  });
});

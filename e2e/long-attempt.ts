import { until } from './processes';

/**
 * An attempt of so many spans, sent the way that any sender would, and stored; a service calls three others over and over, each
 * with its store.
 */
export async function sendLongAttempt(
  url: string,
  spans: number,
  startMs: number,
): Promise<{ traceId: string; spanId: string }> {
  const hex = (n: number, length: number) => n.toString(16).padStart(length, '0');
  const traceId = `${hex(0x10a9, 8)}${hex(spans, 8)}${hex(startMs, 16)}`;
  const text = (key: string, stringValue: string) => ({ key, value: { stringValue } });
  const nanos = (ms: number) => `${Math.round(ms * 1000)}000`;
  const wholeMs = spans * 2;
  const byService = new Map<string, object[]>([['portal-web', []]]);
  for (let i = 0; i < spans; i++) {
    const depth = i === 0 ? 0 : 1 + (i % 4);
    const service = ['portal-web', 'slots', 'rates', 'labels', 'tracking'][i === 0 ? 0 : depth] as string;
    const fromMs = i === 0 ? 0 : i * 2 - depth;
    const own = byService.get(service) ?? [];
    byService.set(service, own);
    own.push({
      traceId,
      spanId: hex(i + 1, 16),
      ...(i > 0 && { parentSpanId: hex(depth === 1 ? 1 : i, 16) }),
      // Names differ, so that nothing is folded away.
      name: i === 0 ? 'GET' : `step ${i}`,
      kind: i === 0 ? 2 : 1,
      startTimeUnixNano: nanos(startMs + fromMs),
      endTimeUnixNano: nanos(startMs + (i === 0 ? wholeMs : fromMs + 2)),
      ...(i === 0 && { attributes: [text('http.request.method', 'GET'), text('http.route', '/audit')] }),
    });
  }
  const resourceSpans = [...byService].map(([service, own]) => ({
    resource: {
      attributes: [
        text('service.name', service),
        text('service.namespace', 'Sender Portal'),
        text('host.name', 'mid-1'),
      ],
    },
    scopeSpans: [{ spans: own }],
  }));
  const answer = await fetch(`${url}/v1/traces`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ resourceSpans }),
  });
  if (!answer.ok) throw new Error(`the long attempt was not taken: ${answer.status} ${await answer.text()}`);
  await until(
    'the long attempt to be stored',
    async () => (await fetch(`${url}/api/attempts/${traceId}/${hex(1, 16)}`)).ok,
  );
  return { traceId, spanId: hex(1, 16) };
}

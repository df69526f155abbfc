import type { ProbeScript } from '@toplens/core/probes';
import type { RunResult } from './run-script';

/** Whose runs they are. */
export interface Place {
  site: string;
  host: string;
}

type Value = string | number;
const attributes = (values: Readonly<Record<string, Value | undefined>>) =>
  Object.entries(values).flatMap(([key, value]) =>
    value === undefined || value === ''
      ? []
      : [{ key, value: typeof value === 'number' ? { doubleValue: value } : { stringValue: value } }],
  );
const nanos = (ms: number) => `${Math.round(ms * 1000)}000`;
const INTERNAL = 1;
const CLIENT = 3;
const ERROR = 2;

/** A run as OTLP (JSON): a root span that says it is no person, and a span below it for each step. */
export function runAsOtlp(
  { name, application }: Pick<ProbeScript, 'name' | 'application'>,
  { traceId, spanId, startMs, durationMs, steps, fault }: RunResult,
  { site, host }: Place,
): object {
  const isFailed = steps.some(({ failure }) => failure !== undefined);
  const times = (fromMs: number, lengthMs: number) => ({
    startTimeUnixNano: nanos(fromMs),
    endTimeUnixNano: nanos(fromMs + lengthMs),
  });
  const root = {
    traceId,
    spanId,
    name,
    kind: INTERNAL,
    ...times(startMs, durationMs),
    status: isFailed ? { code: ERROR } : {},
    attributes: attributes({
      'user_agent.synthetic.type': 'test',
      'toplens.probe': name,
      'toplens.probe.fault': fault,
      'toplens.site': site,
    }),
  };
  const below = steps.map((step, place) => ({
    traceId,
    spanId: step.spanId,
    parentSpanId: spanId,
    name: step.name,
    kind: CLIENT,
    ...times(step.startMs, step.durationMs),
    status: step.failure === undefined ? {} : { code: ERROR },
    attributes: [
      { key: 'toplens.probe.step', value: { intValue: String(place) } },
      ...attributes({
        'user_agent.synthetic.type': 'test',
        'exception.message': step.failure,
        'toplens.probe.name_ms': step.parts?.nameMs,
        'toplens.probe.connect_ms': step.parts?.connectMs,
        'toplens.probe.wait_ms': step.parts?.waitMs,
        'toplens.probe.transfer_ms': step.parts?.transferMs,
      }),
    ],
  }));
  return {
    resourceSpans: [
      {
        resource: {
          attributes: attributes({
            'service.name': 'probes',
            'toplens.application': application,
            'toplens.station': 'probe',
            'host.name': host,
          }),
        },
        scopeSpans: [{ scope: { name: 'toplens-probe' }, spans: [root, ...below] }],
      },
    ],
  };
}

import type { SimulatedRun } from '../pellwick/probes';
import { CLIENT, INTERNAL, SERVER, words, type OutSpan } from './spans';

/** Of what no server takes, the name's address, the connection and the transfer have these parts; the rest waits. */
const LINE = { name: 0.04, connect: 0.36, transfer: 0.2 } as const;

/** What the probe of a depot tells of a run: the run, its steps, and what the server behind them tells. */
export function probeSpans({
  probe,
  application,
  service,
  site,
  startMs,
  number,
  fault,
  steps,
}: SimulatedRun): OutSpan[] {
  const base = {
    application,
    traceId: [...words(number, 90), ...words(number, 91)],
    exception: '',
    details: [],
    version: '',
  };
  const last = steps.at(-1);
  const root: OutSpan = {
    ...base,
    service: 'probes',
    host: `probe-${site.toLowerCase().replaceAll(' ', '-')}`,
    spanId: words(number, 92),
    parentSpanId: undefined,
    name: probe,
    kind: INTERNAL,
    device: [['toplens.station', 'probe']],
    startMs,
    durationMs: last ? last.startMs + last.durationMs - startMs : 0,
    error: steps.some(({ failure }) => failure !== ''),
    attributes: [
      ['user_agent.synthetic.type', 'test'],
      ['toplens.probe', probe],
      ['toplens.site', site],
      ...(fault === '' ? [] : [['toplens.probe.fault', fault] satisfies [string, string]]),
    ],
  };
  const below = steps.flatMap((step, place): OutSpan[] => {
    const lineMs = step.durationMs - step.serverMs;
    const spanId = words(number, 93 + 2 * place);
    const asked: OutSpan = {
      ...root,
      spanId,
      parentSpanId: root.spanId,
      name: step.name,
      kind: CLIENT,
      startMs: step.startMs,
      durationMs: step.durationMs,
      error: step.failure !== '',
      attributes: [
        ['user_agent.synthetic.type', 'test'],
        ['toplens.probe.step', place],
        ['toplens.probe.name_ms', LINE.name * lineMs],
        ['toplens.probe.connect_ms', LINE.connect * lineMs],
        ['toplens.probe.wait_ms', step.serverMs + (1 - LINE.name - LINE.connect - LINE.transfer) * lineMs],
        ['toplens.probe.transfer_ms', LINE.transfer * lineMs],
        ...(step.failure === '' ? [] : [['exception.message', step.failure] satisfies [string, string]]),
      ],
    };
    if (step.serverMs === 0) return [asked];
    return [
      asked,
      {
        ...base,
        service,
        host: 'desk-mid',
        version: '3.2.0',
        spanId: words(number, 94 + 2 * place),
        parentSpanId: spanId,
        name: `GET /${step.name.toLowerCase().replaceAll(' ', '-')}`,
        kind: SERVER,
        startMs: step.startMs + lineMs / 2,
        durationMs: step.serverMs,
        error: false,
        attributes: [
          ['http.request.method', 'GET'],
          ['user_agent.synthetic.type', 'test'],
        ],
      },
    ];
  });
  return [root, ...below];
}

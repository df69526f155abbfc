import { desktopSession, type DeskAttempt } from '../pellwick/depot-desk';
import { CLIENT, SERVER, words, type Attribute, type OutSpan } from './spans';

const APPLICATION = 'Depot Desk';

/** What a device at a depot tells of an attempt, and with whole traces what the server behind it tells. */
export function deskSpans(attempt: DeskAttempt, isWhole: boolean): OutSpan[] {
  const { staff, activity, number, startMs, durationMs, serverMs } = attempt;
  const base = {
    application: APPLICATION,
    traceId: [...words(number, 80), ...words(number, 81)],
    error: false,
    exception: '',
    details: [],
  };
  const session = desktopSession(staff, startMs);
  const entry: OutSpan = {
    ...base,
    service: 'depot-desk',
    host: staff.device,
    version: '8.4.0',
    spanId: words(number, 82),
    parentSpanId: undefined,
    name: activity,
    kind: CLIENT,
    startMs,
    durationMs,
    attributes: [
      ['toplens.flow', activity],
      ['user.id', staff.id],
      ['toplens.site', staff.site],
      ['toplens.department', staff.department],
      ['toplens.role', staff.role],
      ['server.address', staff.server],
      ...(session ? [['toplens.remote.session', session.session] satisfies Attribute] : []),
    ],
    device: [
      ['toplens.station', staff.station],
      ['device.model.name', staff.model],
    ] satisfies Attribute[],
  };
  if (!isWhole) return [entry];
  return [
    entry,
    {
      ...base,
      service: 'manifests',
      host: staff.server,
      version: '3.2.0',
      spanId: words(number, 83),
      parentSpanId: entry.spanId,
      name: `POST /${activity.toLowerCase().replaceAll(' ', '-')}`,
      kind: SERVER,
      startMs: startMs + (durationMs - serverMs) / 2,
      durationMs: serverMs,
      attributes: [['http.request.method', 'POST']],
    },
  ];
}

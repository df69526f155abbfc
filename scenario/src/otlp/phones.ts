import { Severity } from '@toplens/core/telemetry';
import type { PhoneEvent } from '../pellwick/round';
import type { OutLine } from './lines';
import { INTERNAL, words, type Attribute, type OutSpan } from './spans';

const SERVICE = 'round-app';
const APPLICATION = 'Round';

/** What the phones of drivers send: launches and screens as spans, crashes as events. */
export function roundRecords(events: readonly PhoneEvent[]): { spans: OutSpan[]; lines: OutLine[] } {
  return {
    spans: events.filter(({ what }) => !('crash' in what)).map(spanOf),
    lines: events.filter(({ what }) => 'crash' in what).map(crashOf),
  };
}

export const phoneOf = ({ version, driver }: PhoneEvent) => ({
  service: SERVICE,
  host: '',
  application: APPLICATION,
  version,
  device: [
    ['device.model.name', driver.device],
    ['os.name', 'Android'],
    ['os.version', driver.system],
  ] satisfies Attribute[],
});

export const ofPerson = ({ driver, session }: PhoneEvent): Attribute[] => [
  ['user.id', driver.id],
  ['session.id', session],
  ['toplens.site', driver.site],
  ['toplens.region', driver.region],
  ['network.carrier.name', driver.carrier],
];

function spanOf(event: PhoneEvent): OutSpan {
  const { what, atMs, durationMs, number } = event;
  const own: Attribute = 'launch' in what ? ['toplens.launch', what.launch] : ['app.screen.name', what.screen];
  return {
    ...phoneOf(event),
    traceId: [...words(number, 60), ...words(number, 61)],
    spanId: words(number, 62),
    parentSpanId: undefined,
    name: String(own[1]),
    kind: INTERNAL,
    startMs: atMs,
    durationMs,
    error: false,
    exception: '',
    details: [],
    attributes: [own, ...ofPerson(event)],
  };
}

const CRASHES = {
  photo: {
    type: 'java.lang.IllegalStateException',
    message: 'the picture was closed before it was kept',
    stack: [
      '\tat pellwick.round.photo.PhotoStore.keep(PhotoStore.kt:118)',
      '\tat pellwick.round.photo.Camera.onPicture(Camera.kt:64)',
      '\tat pellwick.round.photo.Camera$take$1.invoke(Camera.kt:41)',
      '\tat android.os.Handler.handleCallback(Handler.java:958)',
      '\tat android.os.Handler.dispatchMessage(Handler.java:99)',
      '\tat android.os.Looper.loop(Looper.java:288)',
      '\tat java.lang.reflect.Method.invoke(Native Method)',
    ],
  },
  sync: {
    type: 'java.util.ConcurrentModificationException',
    message: 'stops changed while they were sent',
    stack: [
      '\tat java.util.ArrayList$Itr.next(ArrayList.java:860)',
      '\tat pellwick.round.sync.StopQueue.send(StopQueue.kt:77)',
      '\tat pellwick.round.sync.Sync.run(Sync.kt:31)',
      '\tat java.lang.Thread.run(Thread.java:1012)',
    ],
  },
} as const;

const THREADS = [
  {
    name: 'upload',
    stack: '\tat pellwick.round.sync.Upload.await(Upload.kt:52)\n\tat java.lang.Thread.run(Thread.java:1012)',
  },
  { name: 'location', stack: '\tat android.os.MessageQueue.nativePollOnce(Native Method)' },
];

function crashOf(event: PhoneEvent): OutLine {
  const { what, atMs, number, trail } = event;
  const { crash, screen } = what as { crash: keyof typeof CRASHES; screen: string };
  const { type, message, stack } = CRASHES[crash];
  return {
    ...phoneOf(event),
    atMs,
    severity: Severity.FATAL,
    body: '',
    traceId: undefined,
    spanId: undefined,
    eventName: 'app.crash',
    attributes: [
      ['app.crash.id', `round-${number.toString(16)}`],
      ['app.screen.name', screen],
      ['exception.type', type],
      ['exception.message', message],
      ['exception.stacktrace', [`${type}: ${message}`, ...stack].join('\n')],
      ['thread.name', crash === 'photo' ? 'main' : 'sync'],
      ['toplens.threads', JSON.stringify(THREADS)],
      ['toplens.trail', JSON.stringify(trail.map((one) => ({ at: Math.round(one.atMs), what: one.what })))],
      ...ofPerson(event),
    ],
  };
}

import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { startWatch, type RunningWatch } from './watch';

interface Told {
  component: string;
  instance: string;
  places: { point: number; state: string; line: number }[];
  readings: { id: string; point: number; values: string[]; traceId: string }[];
}

/** A server that orders what it is told to, and keeps what it hears. */
class Orderer {
  readonly told: Told[] = [];
  points: object[] = [];
  isAway = false;
  /** what it answers in place of orders */
  status = 200;
  server: Server = createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on('data', (chunk: Buffer) => chunks.push(chunk));
    request.on('end', () => {
      // What was heard may be lost on its way back.
      this.told.push(JSON.parse(String(Buffer.concat(chunks))) as Told);
      if (this.isAway) return request.socket.destroy();
      if (this.status !== 200) return response.writeHead(this.status).end();
      response.setHeader('content-type', 'application/json').end(JSON.stringify({ everyMs: 1, points: this.points }));
    });
  });
  async listen(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }
  get readings() {
    return this.told.flatMap(({ readings }) => readings);
  }
}

(0, eval)('function weigh(parcel) {\n  return parcel.weight * 2;\n}\n//# sourceURL=file:///srv/scales/src/weigh.js');
const weigh = (parcel: object) => (globalThis as unknown as { weigh: (one: object) => number }).weigh(parcel);
const POINT = {
  id: 4,
  file: 'src/weigh.js',
  line: 2,
  variables: ['parcel.weight', 'parcel'],
  most: 3,
  endsInMs: 60_000,
};

let orderer: Orderer;
let watch: RunningWatch;
const until = async (is: () => boolean) => {
  for (let tries = 0; !is(); tries++) {
    if (tries > 500) throw new Error('it did not come to that');
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
};

beforeEach(async () => {
  orderer = new Orderer();
  watch = startWatch({ url: await orderer.listen(), key: 'k', component: 'scales', version: '2.4.0' });
});
afterEach(() => {
  watch.stop();
  orderer.server.closeAllConnections();
  orderer.server.close();
});
const isSet = () => orderer.told.some(({ places }) => places.some(({ state }) => state === 'set'));

test('what is ordered is read and told, up to what was asked for', async () => {
  orderer.points = [POINT];
  await until(isSet);
  for (const weight of [1, 2, 3, 4, 5]) expect(weigh({ weight, password: 'hunter22' })).toBe(weight * 2);
  await until(() => orderer.readings.length === 3);
  expect(orderer.readings.map(({ values }) => values[0])).toEqual(['1', '2', '3']);
  expect(JSON.stringify(orderer.told)).not.toContain('hunter22');
  expect(orderer.told[0]).toMatchObject({
    component: 'scales',
    version: '2.4.0',
    instance: expect.stringMatching(/:\d+$/) as string,
  });
  await until(() => orderer.told.at(-1)?.places[0]?.state === 'done');
});

test('what is no longer ordered is over', async () => {
  orderer.points = [POINT];
  await until(isSet);
  orderer.points = [];
  await until(() => orderer.told.at(-1)?.places.length === 0);
  weigh({ weight: 1 });
  const heard = orderer.told.length;
  await until(() => orderer.told.length > heard + 2);
  expect(orderer.readings).toEqual([]);
});

test('a server that goes away loses nothing: the same reading is sent again under its number', async () => {
  orderer.points = [POINT];
  await until(isSet);
  orderer.isAway = true;
  weigh({ weight: 7 });
  await until(() => orderer.readings.length >= 2);
  orderer.isAway = false;
  await until(() => orderer.told.at(-1)?.readings.length === 0);
  const ids = new Set(orderer.readings.map(({ id }) => id));
  expect(ids.size).toBe(1);
});

test('what is refused for good is let go, and what comes after it is taken', async () => {
  orderer.points = [POINT];
  await until(isSet);
  orderer.status = 400;
  weigh({ weight: 7 });
  await until(() => orderer.readings.length === 1);
  orderer.status = 200;
  weigh({ weight: 8 });
  await until(() => orderer.readings.length === 2);
  expect(orderer.readings.map(({ values }) => values[0])).toEqual(['7', '8']);
});

test('it ends by itself when its time is over, although nobody says so', async () => {
  orderer.points = [{ ...POINT, endsInMs: 300 }];
  await until(isSet);
  orderer.isAway = true;
  await new Promise((resolve) => setTimeout(resolve, 350));
  weigh({ weight: 7 });
  expect(orderer.readings).toEqual([]);
  orderer.isAway = false;
  await until(() => orderer.told.at(-1)?.places[0]?.state === 'done');
});

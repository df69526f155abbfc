import type { MetricSeries, NamedValues } from '../telemetry';

/** What is looked at of hosts, processes and runtimes. Order: as they are listed. */
export const FIGURES = [
  'cpu',
  'memory',
  'heap',
  'gc',
  'eventLoop',
  'disk',
  'fileSystem',
  'network',
  'networkErrors',
  'pool',
  'poolWaits',
] as const;
export type FigureName = (typeof FIGURES)[number];

export interface FigureKind {
  words: string;
  /** share: 0 to 1 of something that can be full; else what is counted, as it is written behind the number */
  unit: 'share' | 'ms' | 'B/s' | '/s' | '';
  /** a share from which on nothing is left to give */
  full: number | undefined;
}

export const FIGURE_KINDS: Readonly<Record<FigureName, FigureKind>> = {
  cpu: { words: 'CPU', unit: 'share', full: 0.95 },
  memory: { words: 'memory', unit: 'share', full: 0.95 },
  heap: { words: 'heap', unit: 'share', full: 0.92 },
  gc: { words: 'garbage collection', unit: 'share', full: 0.2 },
  eventLoop: { words: 'event loop delay', unit: 'ms', full: undefined },
  disk: { words: 'disk busy', unit: 'share', full: 0.95 },
  fileSystem: { words: 'disk space', unit: 'share', full: 0.95 },
  network: { words: 'network', unit: 'B/s', full: undefined },
  networkErrors: { words: 'network errors', unit: '/s', full: undefined },
  pool: { words: 'connection pool', unit: 'share', full: 0.99 },
  poolWaits: { words: 'waiting for a connection', unit: '', full: undefined },
};

/** A part that a series has in a figure: `top` parts are summed, `of` parts are what they are a share of. */
export interface FigurePart {
  figure: FigureName;
  role: 'top' | 'of' | 'idle' | 'mean';
  /** to the figure's unit */
  factor: number;
}

type Holds = (attributes: NamedValues) => boolean;
const always: Holds = () => true;
const is =
  (names: readonly string[], ...values: string[]): Holds =>
  (attributes) =>
    names.some((name) => values.includes(String(attributes[name])));
const STATE = [
  'system.cpu.state',
  'cpu.mode',
  'state',
  'system.memory.state',
  'system.filesystem.state',
  'db.client.connection.state',
  'db.client.connections.state',
];
const heap: Holds = (attributes) =>
  attributes['jvm.memory.type'] === undefined || attributes['jvm.memory.type'] === 'heap';

/**
 * Metrics by their names in the OpenTelemetry semantic conventions (system, process, JVM, Node.js, V8, database
 * clients), the present names and those that older libraries still send; names from memory, those of Node.js checked in
 * server/src/intake/foreign-sdk.test.ts against what its libraries send.
 */
const METRICS: Readonly<Record<string, readonly (FigurePart & { holds: Holds })[]>> = {
  'system.cpu.utilization': [{ figure: 'cpu', role: 'idle', factor: 1, holds: is(STATE, 'idle') }],
  'jvm.system.cpu.utilization': [{ figure: 'cpu', role: 'mean', factor: 1, holds: always }],
  'system.memory.utilization': [{ figure: 'memory', role: 'top', factor: 1, holds: is(STATE, 'used') }],
  'jvm.memory.used': [{ figure: 'heap', role: 'top', factor: 1, holds: heap }],
  'jvm.memory.limit': [{ figure: 'heap', role: 'of', factor: 1, holds: heap }],
  'v8js.memory.heap.used': [{ figure: 'heap', role: 'top', factor: 1, holds: always }],
  // The first was renamed to the second: semantic conventions for V8 JS engine metrics, 2026. A sender has one of them.
  'v8js.memory.heap.limit': [{ figure: 'heap', role: 'of', factor: 1, holds: always }],
  'v8js.memory.heap.space.size': [{ figure: 'heap', role: 'of', factor: 1, holds: always }],
  'jvm.gc.duration': [{ figure: 'gc', role: 'top', factor: 1, holds: always }],
  'v8js.gc.duration': [{ figure: 'gc', role: 'top', factor: 1, holds: always }],
  'nodejs.eventloop.delay.p99': [{ figure: 'eventLoop', role: 'mean', factor: 1000, holds: always }],
  'system.disk.io_time': [{ figure: 'disk', role: 'mean', factor: 1, holds: always }],
  'system.filesystem.utilization': [
    {
      figure: 'fileSystem',
      role: 'mean',
      factor: 1,
      holds: (a) => !STATE.some((name) => a[name] !== undefined) || is(STATE, 'used')(a),
    },
  ],
  'system.network.io': [{ figure: 'network', role: 'top', factor: 1, holds: always }],
  'system.network.errors': [{ figure: 'networkErrors', role: 'top', factor: 1, holds: always }],
  'system.network.dropped': [{ figure: 'networkErrors', role: 'top', factor: 1, holds: always }],
  'db.client.connection.count': [{ figure: 'pool', role: 'top', factor: 1, holds: is(STATE, 'used') }],
  'db.client.connections.usage': [{ figure: 'pool', role: 'top', factor: 1, holds: is(STATE, 'used') }],
  'db.client.connection.max': [{ figure: 'pool', role: 'of', factor: 1, holds: always }],
  'db.client.connections.max': [{ figure: 'pool', role: 'of', factor: 1, holds: always }],
  'db.client.connection.pending_requests': [{ figure: 'poolWaits', role: 'top', factor: 1, holds: always }],
  'db.client.connections.pending_requests': [{ figure: 'poolWaits', role: 'top', factor: 1, holds: always }],
};

/** Names of all metrics that some figure is made of. */
export const FIGURE_METRICS: readonly string[] = Object.keys(METRICS);

/** What a series is a part of; `undefined` when it is none that is looked at. */
export const partOf = ({ metric, attributes }: Pick<MetricSeries, 'metric' | 'attributes'>): FigurePart | undefined =>
  METRICS[metric]?.find(({ holds }) => holds(attributes));

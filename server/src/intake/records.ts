import type { InnerSpan } from '@toplens/core/flows';
import type { PageView, ScriptError } from '@toplens/core/pages';
import type { Crash, Moment } from '@toplens/core/phones';
import type { ProbeRun, ProbeStepRun } from '@toplens/core/probes';
import type { RemoteSample } from '@toplens/core/remote';
import type { Attempt, ChangeEvent, LogLine, MetricPoint } from '@toplens/core/telemetry';
import type { ReceivedMark } from '../store/attempt-marks';

/** A request's telemetry, told apart by what becomes of it. */
export interface Records {
  attempts: Attempt[];
  spans: InnerSpan[];
  lines: LogLine[];
  points: MetricPoint[];
  changes: ChangeEvent[];
  views: PageView[];
  errors: ScriptError[];
  crashes: Crash[];
  /** what sessions on phones are made of, as events told it */
  moments: Moment[];
  /** runs of probes */
  probeRuns: ProbeRun[];
  /** how long the way to remote desktops takes */
  remote: RemoteSample[];
  /** begins and ends of attempts, as applications told them */
  marks: ReceivedMark[];
  /**
   * attempts that some of these tell of besides: loads of pages, business events in lines, crashes, runs of probes, what
   * ended
   */
  toldBeside: Attempt[];
  /** requests of phones, which are spans as well */
  requests: Moment[];
  /** steps of probes, which are spans as well */
  probeSteps: ProbeStepRun[];
}

const SENT = [
  'attempts',
  'spans',
  'lines',
  'points',
  'changes',
  'views',
  'errors',
  'crashes',
  'moments',
  'probeRuns',
  'remote',
  'marks',
] as const satisfies (keyof Records)[];
export const KINDS = [...SENT, 'toldBeside', 'requests', 'probeSteps'] as const;

export const noRecords = (): Records => ({
  attempts: [],
  spans: [],
  lines: [],
  points: [],
  changes: [],
  views: [],
  errors: [],
  crashes: [],
  moments: [],
  probeRuns: [],
  remote: [],
  marks: [],
  toldBeside: [],
  requests: [],
  probeSteps: [],
});
/** Records as the sender counts them. */
export const sizeOf = (records: Records): number => SENT.reduce((sum, kind) => sum + records[kind].length, 0);

export function joined(many: readonly Records[]): Records {
  return Object.fromEntries(
    KINDS.map((kind) => [kind, many.flatMap((one) => one[kind] as unknown[])]),
  ) as unknown as Records;
}

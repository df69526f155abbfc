import type { TimedSpan } from './own-time';

/** A span with all that a waterfall shows of it; times in microseconds, each on the clock of its host. */
export interface TraceSpan extends TimedSpan {
  name: string;
  /** of the OpenTelemetry trace protocol, see `SpanKind` */
  kind: number;
  /** where it ran; '' when not known */
  host: string;
  /** whom a call went to, where it says so */
  peer: string;
  /** masked statement of a call to a store; '' for others */
  statement: string;
  /** what went wrong: type of the exception, or status; '' when nothing did */
  failure: string;
}

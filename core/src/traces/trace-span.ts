import { SpanKind } from '../telemetry';
import type { TimedSpan } from './stretch';

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
  /** it ran on a person's own device */
  isUserSide: boolean;
  /** which device that is, where it is told */
  ranOn: string;
}

/**
 * Who is answerable for a span's own time: a call that left no span behind belongs to whom it called. So outside
 * services that send nothing, and components that fell silent, have a part too.
 */
export const holderOf = (span: Pick<TraceSpan, 'component' | 'kind' | 'peer'>, hasChildren: boolean): string =>
  span.kind === SpanKind.CLIENT && span.peer !== '' && !hasChildren ? span.peer : span.component;

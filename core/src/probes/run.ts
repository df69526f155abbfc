import { isSynthetic, numberOf, textOf, type Attributes, type Span } from '../telemetry';

/** Where the time of a request went, milliseconds; of what a browser asked nothing is told. */
export interface RequestParts {
  /** asking for the address of the name */
  nameMs: number;
  /** connection, and the handshake of TLS */
  connectMs: number;
  /** from the request to the first byte of the answer */
  waitMs: number;
  transferMs: number;
}
export const REQUEST_PARTS = ['nameMs', 'connectMs', 'waitMs', 'transferMs'] as const satisfies (keyof RequestParts)[];

/** One run of a script, as its root span tells it. */
export interface ProbeRun {
  /** of its span, 16 hexadecimal digits */
  id: string;
  traceId: string;
  atUs: number;
  durationUs: number;
  probe: string;
  application: string;
  site: string;
  /** the runner's host */
  host: string;
  failed: boolean;
  /** what is wrong with the runner itself, in words; '' when its self-check is well */
  fault: string;
}

/** One step of a run. */
export interface ProbeStepRun {
  id: string;
  /** of the run's span */
  run: string;
  traceId: string;
  atUs: number;
  durationUs: number;
  /** 0 for the first */
  place: number;
  name: string;
  failed: boolean;
  /** why it failed, in words; '' when it did not */
  message: string;
  parts: RequestParts | undefined;
}

const textIn = ({ attributes, resource }: Span) => {
  return (name: keyof Attributes): string => textOf(attributes[name]) ?? textOf(resource[name]) ?? '';
};

/** A run is a root span that names its probe and says that it is no person. */
export const isProbeRun = (span: Span): boolean =>
  span.parentSpanId === '' && span.attributes['toplens.probe'] !== undefined && isSynthetic(textIn(span));

export const isProbeStep = (span: Span): boolean =>
  span.parentSpanId !== '' && span.attributes['toplens.probe.step'] !== undefined;

export function probeRunOf(span: Span): ProbeRun {
  const text = textIn(span);
  return {
    id: span.spanId,
    traceId: span.traceId,
    atUs: span.startUs,
    durationUs: span.durationUs,
    probe: text('toplens.probe'),
    application: text('toplens.application') || text('service.namespace') || text('service.name') || 'unknown service',
    site: text('toplens.site'),
    host: text('host.name'),
    failed: span.error,
    fault: text('toplens.probe.fault'),
  };
}

export function probeStepOf(span: Span): ProbeStepRun {
  const { attributes } = span;
  const part = (name: keyof Attributes) => Math.max(0, numberOf(attributes[name]) ?? 0);
  const isTold = attributes['toplens.probe.wait_ms'] !== undefined;
  return {
    id: span.spanId,
    run: span.parentSpanId,
    traceId: span.traceId,
    atUs: span.startUs,
    durationUs: span.durationUs,
    place: Math.min(Math.max(0, Math.trunc(numberOf(attributes['toplens.probe.step']) ?? 0)), 1_000),
    name: span.name,
    failed: span.error,
    message: span.error
      ? (textOf(span.exception['exception.message']) ??
        textOf(attributes['exception.message']) ??
        textOf(attributes['error.type']) ??
        'failed')
      : '',
    parts: isTold
      ? {
          nameMs: part('toplens.probe.name_ms'),
          connectMs: part('toplens.probe.connect_ms'),
          waitMs: part('toplens.probe.wait_ms'),
          transferMs: part('toplens.probe.transfer_ms'),
        }
      : undefined,
  };
}

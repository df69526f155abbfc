import { readLogsJson, readTracesJson, type LogRecord } from '@toplens/core/formats';
import { SpanKind, type Span, type TelemetryLimits } from '@toplens/core/telemetry';

/**
 * A request of a page as it is kept: what the page sent (`resourceLogs` and `resourceSpans` of OTLP's JSON mapping in
 * one object) and the component that its key stands for. Whoever reads the page can read the key, so nothing that the
 * request claims of itself is believed beyond that.
 */
export interface BrowserBody {
  component: string;
  request: { resourceLogs?: unknown; resourceSpans?: unknown };
}

/**
 * @param body JSON as the page sent it; it is read, and refused when it is none, where all bodies are. The component
 *   stands
 *   behind it: of members with one name JSON.parse takes the last.
 */
export const wrapBrowserBody = (component: string, body: Uint8Array): Uint8Array =>
  Buffer.concat([Buffer.from('{"request":'), body, Buffer.from(`,"component":${JSON.stringify(component)}}`)]);

/** @throws MalformedTelemetry naming the field */
export function recordsOfBrowser(body: unknown, limits: TelemetryLimits): LogRecord[] {
  const { component, request } = body as BrowserBody;
  const records = readLogsJson({ resourceLogs: [], ...request }, limits);
  return records.map((record) => ({ ...record, resource: { ...record.resource, 'service.name': component } }));
}

/**
 * Its spans, held to what a browser does: they run on the person's device, begin no attempt of their own, and serve
 * nobody.
 */
export function spansOfBrowser(body: unknown, limits: TelemetryLimits): Span[] {
  const { component, request } = body as BrowserBody;
  return readTracesJson({ resourceSpans: [], ...request }, limits).map((span) => ({
    ...span,
    kind: span.kind === SpanKind.CLIENT ? SpanKind.CLIENT : SpanKind.INTERNAL,
    resource: { ...span.resource, 'service.name': component, 'host.name': '', 'telemetry.sdk.language': 'webjs' },
  }));
}

import type { Attributes } from './attributes';

/** Member of the header `tracestate` (W3C Trace Context) by which a probe tells every service behind it what it is. */
export const PROBE_TRACE_STATE = 'toplens=probe';

/** Stands in the User-Agent header of whatever a probe asks, its browser included. */
export const PROBE_AGENT = 'TopLensProbe';

/** Does a `tracestate` say that a probe began the trace? */
export const isProbeState = (traceState: string): boolean =>
  traceState.split(',').some((member) => member.trim() === PROBE_TRACE_STATE);

/**
 * Was it a script and no person? Told by `user_agent.synthetic.type` (OpenTelemetry semantic conventions), or by the
 * User-Agent header of our own probes, which services pass on that know nothing of the attribute.
 *
 * @param text an attribute of the record, else of its resource; '' without
 */
export const isSynthetic = (text: (name: keyof Attributes) => string): boolean =>
  text('user_agent.synthetic.type') !== '' ||
  (text('user_agent.original') || text('http.user_agent')).includes(PROBE_AGENT);

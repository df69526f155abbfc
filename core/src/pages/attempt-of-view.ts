import { isHandheld, type Attempt } from '../telemetry';
import { hostOfUrl } from './host-of';
import type { PageView } from './page-view';

/** Name of the flow that loads of a page are attempts of. */
export const pageFlow = (page: string): string => `Page ${page}`;
/** The page whose loads a flow is. */
export const pageOfFlow = (flow: string): string => flow.slice(pageFlow('').length);

/**
 * A load as an attempt of its page, so that pages are judged, billed and ranked as flows are: it lasts until the load
 * event, and fails when a part of the page does not come or a script throws. Background calls are passed over: they are
 * attempts of their own flows. Of a load that is told several times the first telling counts, whichever comes first.
 *
 * @param country ISO 3166-1 alpha-2, its region; '' when not known
 * @returns `undefined` for what is no load, did not come to its end, or was told before
 */
export function attemptOfView(view: PageView, country: string): Attempt | undefined {
  if (view.kind !== 'load' || !view.parts || view.sequence > 1) return undefined;
  const failure = whatIsWrong(view);
  const { application, component, person, session, version, tier } = view;
  return {
    // A page that no server's trace answers has one by itself.
    traceId: view.traceId || view.id.padStart(32, '0'),
    spanId: view.id,
    parentSpanId: '',
    startUs: view.atUs,
    durationUs: Math.round(view.parts.reduce((sum, ms) => sum + ms, 0) * 1000),
    flow: pageFlow(view.page),
    application,
    component,
    zone: '',
    ranOn: '',
    isUserSide: true,
    isHandheld: isHandheld({}, view.userAgent),
    failed: failure !== '',
    probe: view.probe,
    kind: 'page',
    failure,
    detail: undefined,
    person,
    session,
    site: '',
    version,
    region: country,
    tier,
    promotion: '',
    item: '',
    host: '',
    device: '',
    browser: '',
    system: '',
    carrier: '',
    department: '',
    role: '',
    station: '',
    server: '',
    userAgent: view.userAgent,
    valueMinor: NaN,
    currency: '',
  };
}

/** What a load lacks, in words that are alike for loads that lack the same. */
function whatIsWrong(view: PageView): string {
  const hosts = new Map<string, number>();
  for (const { url, missing, traceId } of view.resources) {
    if (!missing || traceId !== '') continue;
    const host = hostOfUrl(url) || view.host;
    hosts.set(host, (hosts.get(host) ?? 0) + 1);
  }
  const [most] = [...hosts].sort(([a, ofA], [b, ofB]) => ofB - ofA || (a < b ? -1 : 1));
  if (most) return `does not come from ${most[0] || 'its own host'}`;
  return view.errors > 0 ? 'script error' : '';
}

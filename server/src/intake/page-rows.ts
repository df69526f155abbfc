import { hostOfUrl, VIEW_KINDS, VITALS, type PageView, type ScriptError } from '@toplens/core/pages';
import { pathShape } from '@toplens/core/telemetry';
import { byName } from '../by-name';
import { PART_COLUMNS, TableRows } from '../store/tables';
import { browserWords, countryOf } from './browser-words';
import type { NameBook, NameKind } from './name-book';
import { sessionNumber } from './session-number';
import type { ViewDetail } from '../store/pages';

export function viewRows(views: readonly PageView[], names: NameBook): TableRows<'page_view'> {
  const rows = new TableRows('page_view');
  for (const pageView of views) {
    const { browser, system } = browserWords(pageView.userAgent);
    const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, pageView.component);
    const partOf = (i: number) => (pageView.parts ? Math.round((pageView.parts[i] as number) * 1000) : null);
    rows.add({
      view: pageView.id,
      sequence: pageView.sequence,
      started_us: pageView.atUs,
      kind: VIEW_KINDS.indexOf(pageView.kind),
      component: names.idOf('component', pageView.component),
      application: numberOf('application', pageView.application),
      version: numberOf('version', pageView.version),
      page: numberOf('page', pageView.page),
      person: numberOf('person', pageView.person),
      session: sessionNumber(pageView.session),
      tier: numberOf('tier', pageView.tier),
      country: numberOf('country', countryOf(pageView.country, pageView.timeZone)),
      browser: numberOf('browser', browser),
      system: numberOf('system', system),
      connection: numberOf('connection', pageView.connection),
      share: pageView.share,
      ...byName(PART_COLUMNS, (_column, i) => partOf(i)),
      ...byName(VITALS, (vital) => pageView.vitals[vital] ?? null),
      interactions: pageView.interactions,
      errors: pageView.errors,
      missing: pageView.missing,
      trace_id: pageView.traceId === '' ? null : pageView.traceId,
      span_id: pageView.spanId,
      area: numberOf('area', pageView.area),
    });
  }
  return rows;
}

export function detailRows(views: readonly PageView[]): TableRows<'page_detail'> {
  const rows = new TableRows('page_detail');
  for (const { id, sequence, atUs, path, host, resources, moreResources } of views)
    rows.add({
      view: id,
      sequence,
      at_us: atUs,
      detail: { path, host, resources, moreResources } satisfies ViewDetail,
    });
  return rows;
}

/** The calls among the resources of views. */
export function callRows(views: readonly PageView[], names: NameBook): TableRows<'page_call'> {
  const rows = new TableRows('page_call');
  const seen = new Set<string>();
  for (const pageView of views)
    for (const { url, startMs, durationMs, missing, traceId, spanId } of pageView.resources) {
      if (spanId === '' || seen.has(spanId)) continue;
      seen.add(spanId);
      rows.add({
        span_id: spanId,
        view: pageView.id,
        trace_id: traceId,
        started_us: pageView.atUs + Math.round(startMs * 1000),
        duration_us: Math.round(durationMs * 1000),
        page: names.idOf('page', pageView.page, pageView.component),
        call: names.idOf('call', callName(url), pageView.component),
        failed: missing ? 1 : 0,
      });
    }
  return rows;
}

/** Host and path without what looks like an id. */
const callName = (url: string): string =>
  hostOfUrl(url) + pathShape(url.replace(/^[a-z][a-z0-9+.-]*:\/\/[^/?#]*/i, ''));

export function errorRows(errors: readonly ScriptError[], names: NameBook): TableRows<'script_error'> {
  const rows = new TableRows('script_error');
  for (const { id, view, atUs, component, version, page, person, userAgent, type, message, stack } of errors)
    rows.add({
      id,
      view,
      at_us: atUs,
      component: names.idOf('component', component),
      version: names.idOf('version', version, component),
      page: names.idOf('page', page, component),
      person: names.idOf('person', person, component),
      browser: names.idOf('browser', browserWords(userAgent).browser, component),
      type,
      message,
      stack,
    });
  return rows;
}

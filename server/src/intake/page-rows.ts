import { hostOfUrl, PARTS, VIEW_KINDS, VITALS, type PageView, type ScriptError } from '@toplens/core/pages';
import { pathShape } from '@toplens/core/telemetry';
import { TableRows } from '../store/tables';
import { browserWords, countryOf } from './browser-words';
import type { NameBook, NameKind } from './name-book';
import { sessionNumber } from './session-number';
import type { ViewDetail } from '../store/pages';

export function viewRows(views: readonly PageView[], names: NameBook): TableRows<'page_view'> {
  const rows = new TableRows('page_view');
  for (const view of views) {
    const { browser, system } = browserWords(view.userAgent);
    const numberOf = (kind: NameKind, text: string) => names.idOf(kind, text, view.component);
    const microsOf = (part: number) => view.parts && Math.round((view.parts[part] as number) * 1000);
    rows.add({
      view: view.id,
      sequence: view.sequence,
      started_us: view.atUs,
      kind: VIEW_KINDS.indexOf(view.kind),
      component: names.idOf('component', view.component),
      application: numberOf('application', view.application),
      version: numberOf('version', view.version),
      page: numberOf('page', view.page),
      person: numberOf('person', view.person),
      session: sessionNumber(view.session),
      tier: numberOf('tier', view.tier),
      country: numberOf('country', countryOf(view.country, view.timeZone)),
      browser: numberOf('browser', browser),
      system: numberOf('system', system),
      connection: numberOf('connection', view.connection),
      share: view.share,
      ...byName(
        PARTS,
        (part) => `${part}_us` as const,
        (_part, i) => microsOf(i) ?? null,
      ),
      ...byName(
        VITALS,
        (vital) => vital,
        (vital) => view.vitals[vital] ?? null,
      ),
      interactions: view.interactions,
      errors: view.errors,
      missing: view.missing,
      trace_id: view.traceId === '' ? null : view.traceId,
      span_id: view.spanId,
      area: numberOf('area', view.area),
    });
  }
  return rows;
}

/** An object with a member for each of a list. */
const byName = <From extends string, Name extends string, Value>(
  list: readonly From[],
  nameOf: (one: From) => Name,
  valueOf: (one: From, i: number) => Value,
) => Object.fromEntries(list.map((one, i) => [nameOf(one), valueOf(one, i)])) as Record<Name, Value>;

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
  for (const view of views)
    for (const { url, startMs, durationMs, missing, traceId, spanId } of view.resources) {
      if (spanId === '' || seen.has(spanId)) continue;
      seen.add(spanId);
      rows.add({
        span_id: spanId,
        view: view.id,
        trace_id: traceId,
        started_us: view.atUs + Math.round(startMs * 1000),
        duration_us: Math.round(durationMs * 1000),
        page: names.idOf('page', view.page, view.component),
        call: names.idOf('call', callName(url), view.component),
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

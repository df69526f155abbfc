import { hostOfUrl, PARTS, VIEW_KINDS, VITALS, type PageView, type ScriptError } from '@toplens/core/pages';
import { pathShape } from '@toplens/core/telemetry';
import { CopyRows } from '../store/copy-rows';
import { browserWords, countryOf } from './browser-words';
import type { NameBook } from './name-book';
import { sessionNumber } from './session-number';
import type { ViewDetail } from '../store/pages';

/** Binary COPY of table page_view. */
export function viewRows(views: readonly PageView[], names: NameBook): CopyRows {
  const rows = new CopyRows(16 + PARTS.length + VITALS.length + 6);
  for (const told of views) {
    const { browser, system } = browserWords(told.userAgent);
    rows.startRow();
    rows.hex(told.id);
    rows.int2(told.sequence);
    rows.int8(told.atUs);
    rows.int2(VIEW_KINDS.indexOf(told.kind));
    rows.int4(names.idOf('component', told.component));
    rows.int4(names.idOf('application', told.application, told.component));
    rows.int4(names.idOf('version', told.version, told.component));
    rows.int4(names.idOf('page', told.page, told.component));
    rows.int4(names.idOf('person', told.person, told.component));
    rows.int8(sessionNumber(told.session));
    rows.int4(names.idOf('tier', told.tier, told.component));
    rows.int4(names.idOf('country', countryOf(told.country, told.timeZone), told.component));
    rows.int4(names.idOf('browser', browser, told.component));
    rows.int4(names.idOf('system', system, told.component));
    rows.int4(names.idOf('connection', told.connection, told.component));
    rows.float8(told.share);
    for (let part = 0; part < PARTS.length; part++)
      if (told.parts) rows.int4(Math.round((told.parts[part] as number) * 1000));
      else rows.null();
    for (const vital of VITALS) {
      const value = told.vitals[vital];
      if (value === undefined) rows.null();
      else rows.float8(value);
    }
    rows.int4(told.interactions);
    rows.int4(told.errors);
    rows.int4(told.missing);
    if (told.traceId === '') rows.null();
    else rows.hex(told.traceId);
    rows.hex(told.spanId);
    rows.int4(names.idOf('area', told.area, told.component));
  }
  return rows;
}

/** Binary COPY of table page_detail. */
export function detailRows(views: readonly PageView[]): CopyRows {
  const rows = new CopyRows(4);
  for (const { id, sequence, atUs, path, host, resources, moreResources } of views) {
    rows.startRow();
    rows.hex(id);
    rows.int2(sequence);
    rows.int8(atUs);
    rows.json({ path, host, resources, moreResources } satisfies ViewDetail);
  }
  return rows;
}

/** Binary COPY of table page_call: the calls among the resources of views. */
export function callRows(views: readonly PageView[], names: NameBook): CopyRows {
  const rows = new CopyRows(8);
  const seen = new Set<string>();
  for (const view of views)
    for (const { url, startMs, durationMs, missing, traceId, spanId } of view.resources) {
      if (spanId === '' || seen.has(spanId)) continue;
      seen.add(spanId);
      rows.startRow();
      rows.hex(spanId);
      rows.hex(view.id);
      rows.hex(traceId);
      rows.int8(view.atUs + Math.round(startMs * 1000));
      rows.int8(Math.round(durationMs * 1000));
      rows.int4(names.idOf('page', view.page, view.component));
      rows.int4(names.idOf('call', callName(url), view.component));
      rows.int2(missing ? 1 : 0);
    }
  return rows;
}

/** Host and path without what looks like an id. */
const callName = (url: string): string => hostOfUrl(url) + pathShape(url.replace(/^[a-z][a-z0-9+.-]*:\/\/[^/?#]*/i, ''));

/** Binary COPY of table script_error. */
export function errorRows(errors: readonly ScriptError[], names: NameBook): CopyRows {
  const rows = new CopyRows(11);
  for (const error of errors) {
    rows.startRow();
    rows.hex(error.id);
    rows.hex(error.view);
    rows.int8(error.atUs);
    rows.int4(names.idOf('component', error.component));
    rows.int4(names.idOf('version', error.version, error.component));
    rows.int4(names.idOf('page', error.page, error.component));
    rows.int4(names.idOf('person', error.person, error.component));
    rows.int4(names.idOf('browser', browserWords(error.userAgent).browser, error.component));
    rows.text(error.type);
    rows.text(error.message);
    rows.text(error.stack);
  }
  return rows;
}

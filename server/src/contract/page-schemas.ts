import { PARTS, RATINGS, VIEW_KINDS, VITALS, PAGE_DIMENSIONS } from '@toplens/core/pages';
import { flag, integer, list, number, oneOf, orNull, record, ref, text, type Schema } from './schema-words';

const byVital = (schema: Schema): Schema => record(Object.fromEntries(VITALS.map((vital) => [vital, schema])));
const windowMs = record({ fromMs: number, toMs: number });
const parts: Schema = { ...list(number), minItems: PARTS.length, maxItems: PARTS.length, description: `mean milliseconds of ${PARTS.join(', ')}` };
const attempt = orNull(record({ traceId: text, spanId: text }));
const listed = {
  view: text, atMs: number, page: text, country: text, browser: text, loadMs: orNull(number), lcpMs: orNull(number), errors: integer, missing: integer,
}; // prettier-ignore
const sourceMap = { component: text, version: text, file: text };

/** Schemas of page loads. */
export const pageSchemas: Record<string, Schema> = {
  Vital: record({ p75: number, rating: oneOf(RATINGS), views: integer }),
  PageGroup: record({
    name: text, views: integer, people: integer, loads: number, parts, meanMs: orNull(number), medianMs: orNull(number), weightMs: number, shareOfWeight: number,
    vitals: byVital(orNull(ref('Vital'))), interactions: number, errors: number, shareWithErrors: number, shareMissing: number,
  }),
  PageWhere: record({
    what: oneOf(['slow', 'missing', 'errors']), dimension: oneOf(PAGE_DIMENSIONS), verdict: oneOf(['here', 'more', 'everywhere']),
    hit: list(record({ name: text, views: integer, here: number, elsewhere: number })),
  }),
  ListedLoad: record(listed),
  PersonView: record({ ...listed, session: number, system: text }),
  PageLoads: record({
    window: windowMs, by: oneOf(PAGE_DIMENSIONS), kept: number, kinds: record(Object.fromEntries(VIEW_KINDS.map((kind) => [kind, integer]))),
    all: orNull(ref('PageGroup')), groups: list(ref('PageGroup')), frames: list(ref('PageGroup')), flow: orNull(integer), trend: record({ startMs: number, stepMs: number, vitals: byVital(list(orNull(number))) }),
    where: list(ref('PageWhere')),
    hosts: list(record({ host: text, isThirdParty: flag, resources: integer, missing: integer, meanMs: number, bytes: number })),
    calls: list(record({ call: text, calls: integer, failed: integer, medianMs: number, p95Ms: number })), worst: list(ref('ListedLoad')),
  }),
  StackFrame: record({ file: text, line: integer, column: integer, method: text }),
  ScriptErrors: record({
    window: windowMs, views: integer, isCut: flag,
    groups: list(record({
      type: text, message: text, errors: integer, views: integer, people: integer, firstMs: number, lastMs: number, pages: list(text), versions: list(text),
      browsers: list(text), component: text, frames: list(ref('StackFrame')), isMapped: flag, sampleView: text,
    })),
  }),
  PageLoad: record({
    ...listed, kind: oneOf(VIEW_KINDS), path: text, host: text, component: text, application: text, version: text, system: text, connection: text, tier: text,
    parts: orNull(parts), vitals: byVital(orNull(number)), interactions: integer,
    resources: list(record({
      url: text, host: text, type: text, startMs: number, durationMs: number, bytes: integer, missing: flag, isThirdParty: flag, attempt,
    })),
    moreResources: integer,
    scriptErrors: list(record({ atMs: number, type: text, message: text, frames: list(ref('StackFrame')), isMapped: flag })), attempt,
  }),
  PageLoadOf: record({ view: orNull(text) }),
  SourceMaps: record({ maps: list(record({ ...sourceMap, uploadedMs: number, bytes: integer })) }),
  NewSourceMap: record({ ...sourceMap, map: { type: 'object', additionalProperties: true } }),
  SourceMapKept: record({ ...sourceMap, bytes: integer }),
}; // prettier-ignore

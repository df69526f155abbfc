import { problem, type Paths } from './paths';

/** The ways in for telemetry: their bodies are described by others (OTLP, CloudEvents, HAR). */

const OTLP = {
  content: {
    'application/json': { schema: { type: 'object', description: 'OTLP 1.x, JSON mapping' } },
    'application/x-protobuf': { schema: { type: 'string', format: 'binary', description: 'OTLP 1.x, protobuf' } },
  },
};
const CLOUD_EVENTS = {
  'application/cloudevents+json': { schema: { type: 'object', description: 'CloudEvents 1.0' } },
  'application/cloudevents-batch+json': {
    schema: { type: 'array', items: { type: 'object' }, description: 'CloudEvents 1.0, several' },
  },
};
const text = (description: string) => ({ schema: { type: 'string', description } });
const query = (name: string, description: string, example: string) => ({
  name,
  in: 'query',
  required: false,
  description,
  schema: { type: 'string', examples: [example] },
});

const takes = (summary: string, body: object, parameters: object[] = []) => ({
  summary,
  description: 'Acknowledged when they are on the disk.',
  parameters,
  requestBody: { required: true, ...body },
  responses: {
    '200': { description: 'taken; the answer tells what was not' },
    '400': { description: 'not of the protocol: do not send it again' },
    '401': { description: 'an ingest key is needed' },
    '413': { description: 'too large' },
    '415': { description: 'of another type' },
    '503': { description: 'come back after Retry-After' },
    '4XX': problem,
    '5XX': problem,
  },
  security: [{ ingestKey: [] }, {}],
});

export const telemetryPaths: Paths = {
  '/v1/traces': { post: takes('Spans', OTLP) },
  '/v1/logs': {
    post: takes(
      'Lines of logs; changes as events named toplens.change, business events named toplens.business_event',
      OTLP,
    ),
  },
  '/v1/metrics': { post: takes('Points of metrics, of all kinds', OTLP) },
  '/v1/browser': {
    // Plain text, for which a browser asks no leave before; it holds JSON.
    post: takes(
      'Page views, script errors, business events and spans of a page',
      { content: { 'text/plain': text('JSON of OTLP logs and spans, in one object') } },
      [query('key', "the page's key; it is taken from its origins alone", 'k1')],
    ),
  },
  '/v1/har': {
    post: takes(
      'Page loads of a HAR file: version 1.2; sent again it adds nothing',
      { content: { 'application/json': { schema: { type: 'object', description: 'HAR 1.2' } } } },
      [
        query('component', 'whose pages these are', 'shop-pages'),
        query('application', 'of which application', 'Shop'),
        query('version', 'of the pages', '4.18.0'),
      ],
    ),
  },
  '/v1/business-events': {
    post: takes('Business events', {
      content: { ...CLOUD_EVENTS, 'text/csv': text('RFC 4180; the first row names the columns') },
    }),
  },
  '/v1/changes': { post: takes('Changes', { content: CLOUD_EVENTS }) },
};

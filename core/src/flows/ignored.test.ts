import { isIgnoredBy, USUALLY_IGNORED } from './ignored';

const isIgnored = isIgnoredBy(USUALLY_IGNORED);

test.each([
  'GET /health',
  'HEAD /healthz',
  'GET /actuator/health',
  'GET /favicon.ico',
  'GET /assets/app.js',
  'GET /a.woff2',
])('%s is nobody’s business', (flow) => expect(isIgnored(flow)).toBe(true));

test.each([
  'GET /',
  'GET /healthcare',
  'POST /pay',
  'GET /scripts/js',
  'consume orders',
  'Open the map',
  'GET /v1/ping/{id}',
])('%s is somebody’s', (flow) => expect(isIgnored(flow)).toBe(false));

test('people say what is ignored: with no pattern nothing is', () => {
  expect(isIgnoredBy([])('GET /health')).toBe(false);
  expect(isIgnoredBy(['GET /internal/*'])('GET /internal/jobs')).toBe(true);
});

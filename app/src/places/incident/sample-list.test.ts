import { traceWords } from './sample-list';

jest.mock('@/look/icon', () => ({ Icon: () => null }));

const SPAN = '00f067aa0ba902b7';

test.each([
  ['4bf92f3577b34da6a3ce929d0e0e4736', 'trace 4bf92f3577b34da6a3ce929d0e0e4736'],
  [SPAN.padStart(32, '0'), `page load ${SPAN}`],
  [SPAN.repeat(2), `no trace, ${SPAN}`],
])('%s reads “%s”', (traceId, words) => expect(traceWords({ traceId, spanId: SPAN })).toBe(words));

import { innerSpan as span } from '../fixtures/trace-span';
import { layOut, MISSING_SPAN, type TraceSpan } from './index';

describe('the waterfall', () => {
  const db = (id: string, from: number, to: number, more: Partial<TraceSpan> = {}) =>
    span(id, 'b', 'parcels-db', {
      startUs: from,
      endUs: to,
      more: { name: 'select', statement: 'SELECT … WHERE id = ?', ...more },
    });

  test('each span is followed by what it caused, in order of time', () => {
    const { rows } = layOut(
      [
        span('d', 'b', 'db', { startUs: 50, endUs: 60 }),
        span('c', 'b', 'db', { startUs: 20, endUs: 40 }),
        span('b', 'a', 'rates', { startUs: 10, endUs: 70 }),
        span('e', 'a', 'mail', { startUs: 80, endUs: 90 }),
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
      ],
      'a',
    );
    expect(rows.map(({ span: { spanId }, depth }) => `${depth} ${spanId}`)).toEqual([
      '0 a',
      '1 b',
      '2 c',
      '2 d',
      '1 e',
    ]);
    expect(rows[0]?.own).toEqual([
      { fromUs: 0, toUs: 10 },
      { fromUs: 70, toUs: 80 },
      { fromUs: 90, toUs: 100 },
    ]);
    expect([rows[0]?.ownUs, rows[1]?.ownUs]).toEqual([30, 30]);
  });

  test('calls alike are folded with their count and time; a failing one stands for itself', () => {
    const spans = [
      span('a', '', 'web', { startUs: 0, endUs: 1_000 }),
      span('b', 'a', 'slots', { startUs: 10, endUs: 900 }),
      ...Array.from({ length: 12 }, (_, i) => db(`q${String(i).padStart(2, '0')}`, 20 + 50 * i, 60 + 50 * i)),
      db('bad', 700, 750, { failed: true, failure: 'Timeout' }),
    ];
    const { rows } = layOut(spans, 'a');
    expect(rows.find((row) => row.span.spanId === 'q00')).toMatchObject({
      calls: 12,
      callsUs: 480,
      callsSumUs: 480,
      foldedInto: '',
    });
    expect(rows.filter((row) => row.foldedInto === 'q00')).toHaveLength(11);
    expect(rows.find((row) => row.span.spanId === 'bad')).toMatchObject({ calls: 1, foldedInto: '' });
  });

  test('a parent that never came is shown as such; what lies outside the attempt is left out', () => {
    const { rows, missing, components } = layOut(
      [
        span('a', '', 'web', { startUs: 0, endUs: 100 }),
        span('c', 'lost', 'parcels-db', { startUs: 30, endUs: 60 }),
        span('d', 'lost', 'parcels-db', { startUs: 50, endUs: 80 }),
        span('z', 'else', 'web', { startUs: 5_000, endUs: 6_000 }),
      ],
      'a',
    );
    expect(rows.map(({ span: { name }, depth }) => `${depth} ${name}`)).toEqual([
      '0 a',
      `1 ${MISSING_SPAN}`,
      '2 c',
      '2 d',
    ]);
    expect(rows[1]).toMatchObject({ isMissing: true, own: [], span: { startUs: 30, durationUs: 50 } });
    expect(missing).toBe(1);
    expect(components.map(({ component, spans }) => `${component} ${spans}`)).toEqual([
      'parcels-db 2',
      'web 1',
      `${MISSING_SPAN} 0`,
    ]);
  });

  test('of a trace with several attempts each shows its own part', () => {
    const spans = [
      span('p', '', 'browser', { startUs: 0, endUs: 100 }),
      span('a', 'p', 'web', { startUs: 10, endUs: 50 }),
      span('b', 'a', 'rates', { startUs: 20, endUs: 30 }),
      span('x', 'p', 'web', { startUs: 60, endUs: 90 }),
    ];
    expect(layOut(spans, 'a').rows.map((row) => row.span.spanId)).toEqual(['a', 'b']);
    expect(layOut(spans, 'p').rows).toHaveLength(4);
    expect(() => layOut(spans, 'nowhere')).toThrow('the attempt nowhere is not among the 4 spans of its trace');
  });

  test('what runs on after its parent says so', () => {
    const { rows } = layOut(
      [span('a', '', 'web', { startUs: 0, endUs: 100 }), span('b', 'a', 'mail', { startUs: 90, endUs: 150 })],
      'a',
    );
    expect(rows.map((row) => row.runsOn)).toEqual([false, true]);
  });
});

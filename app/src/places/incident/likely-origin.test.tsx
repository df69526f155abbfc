import { fireEvent, render, screen } from '@testing-library/react';
import type { Incident } from '@/data/client';
import { LikelyOrigin, sharedWords } from './likely-origin';
import { incident } from '@/fixtures/incident';

jest.mock('@/frame/not-narrowed', () => ({ NotNarrowed: () => null }));

test('who else depends on the likely origin is told, those in trouble by name', () => {
  const flow = (name: string, level: 'calm' | 'broken') => ({ id: 1, name, application: 'Shop', level });
  expect(sharedWords('db', [flow('Pay', 'broken'), flow('Look', 'calm'), flow('Find', 'calm')])).toBe(
    'db also serves Pay of Shop (broken), 2 that are calm.',
  );
  expect(sharedWords('db', [flow('Look', 'calm')])).toBe('db also serves 1 other flow, all calm.');
  expect(
    sharedWords(
      'db',
      Array.from({ length: 6 }, () => flow('Pay', 'broken')),
    ),
  ).toContain('2 more in trouble');
});

test('the likely origin shows its reasons, what was changed, the way down, and further candidates on request', () => {
  const rung = (component: string, depth: number, nowUs: number, onsetMs: number | null) => ({
    component,
    depth,
    usualUs: 40_000,
    nowUs,
    failing: 0,
    onsetMs,
    isSilent: false,
  });
  const origin = {
    candidates: [
      { component: 'parcels-db', score: 0.8, reasons: ['holds 95 % of the added time'], team: 'Data Stores' },
      { component: 'slots', score: 0.1, reasons: [], team: null },
    ],
    changes: ['slots 4.18.0 released 3 min before it began'],
    second: 'card-network',
    trust: 0.97,
    bad: 60,
    usual: 58,
    shared: [],
    rungs: [rung('web', 0, 41_000, null), rung('parcels-db', 2, 4_000_000, 60_000)],
  };
  render(
    <LikelyOrigin incident={{ ...incident({}), origin, onsetMs: 60_000, window: { fromMs: 0, toMs: 3_600_000 } }} />,
  );
  const words = screen.getByTestId('likely-origin').textContent;
  for (const wanted of [
    'parcels-db',
    'belongs to Data Stores',
    'was right in 97 %',
    'Changed on the way: slots 4.18.0',
    'At the same time card-network',
    '40 ms → 4.00 s',
    'as usual',
  ])
    expect(words).toContain(wanted);
  expect(words).not.toContain('little speaks for it');
  fireEvent.click(screen.getByRole('button', { name: /1 further candidate/ }));
  expect(screen.getByTestId('likely-origin').textContent).toContain('little speaks for it');
});

test('an outage says what usually serves it, what that did meanwhile, and what was changed there', () => {
  const outage = {
    words: ['Nothing reaches gateway, the first component on the way.'],
    path: [
      {
        component: 'gateway',
        depth: 0,
        usualPerMinute: 12.1,
        nowPerMinute: 0,
        state: 'silent' as const,
        silentHosts: [],
      },
      { component: 'db', depth: 2, usualPerMinute: 40, nowPerMinute: 38.2, state: 'usual' as const, silentHosts: [] },
    ],
    changes: ['gateway 4.18.0 released 6 min before it began'],
  };
  render(<LikelyOrigin incident={{ ...incident({}, 'missing'), origin: null, outage }} />);
  for (const words of ['Nothing reaches gateway', 'silent: 0 a minute, usually 12', 'as usual: 38', '6 min before'])
    expect(screen.getByTestId('outage').textContent).toContain(words);
});

test('where no trace can tell, that is said', () => {
  const untraced = { ...incident({}, 'slow'), origin: null, outage: null, samples: [] };
  const { rerender } = render(<LikelyOrigin incident={untraced} />);
  const words = () => screen.getByTestId('likely-origin').textContent;
  expect(words()).toContain('their traces cannot tell');
  const told = { spanId: '00f067aa0ba902b7', traceId: '00f067aa0ba902b7'.repeat(2) } as Incident['samples'][number];
  rerender(<LikelyOrigin incident={{ ...untraced, samples: [told] }} />);
  expect(words()).toContain('No spans came with these attempts');
  const outage = { words: [], path: [], changes: [] };
  rerender(<LikelyOrigin incident={{ ...incident({}, 'missing'), origin: null, outage }} />);
  expect(words()).toContain('No trace of a usual attempt is kept');
});

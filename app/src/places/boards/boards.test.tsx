import { render, screen } from '@testing-library/react';
import type { TileView } from '@/data/boards';
import { DoorsLead } from '@/frame/doors-lead';
import { aboutTile, figureText, rangeText, tileWords } from './board-words';
import { TileBox } from './tile-box';

jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: React.ReactNode }) => <a href={href}>{children}</a>,
  useGlobalSearchParams: () => ({}),
  useRouter: () => ({}),
}));

const NOW = Date.UTC(2026, 2, 2, 10);
const tile = (change: Partial<TileView>): TileView => ({
  tile: { shows: 'figure', figure: 'failed', minutes: 480, application: 'Depot Desk', where: { site: 'North' } },
  title: 'Attempts that fail',
  path: '/flows',
  window: { fromMs: NOW - 3_600_000, toMs: NOW },
  nothing: '',
  headline: '',
  rows: null,
  figure: { range: { estimate: 0.0304, low: 0.0261, high: 0.034 }, of: 'of 6,833 attempts' },
  curve: null,
  promise: null,
  journey: null,
  feed: null,
  pages: null,
  ...change,
});
const show = (shown: TileView, lead = true) =>
  render(
    <DoorsLead.Provider value={lead}>
      <TileBox shown={shown} currency="EUR" nowMs={NOW} />
    </DoorsLead.Provider>,
  );

test('a figure with its range, over its own window and filter, behind its own door', () => {
  show(tile({}));
  expect(screen.getByText('3 %')).toBeTruthy();
  expect(screen.getByText('95 % range 2.6 % to 3.4 %, of 6,833 attempts')).toBeTruthy();
  expect(screen.getByText('last 8 h · Depot Desk · site North')).toBeTruthy();
  expect(screen.getByRole('link').getAttribute('href')).toBe('/flows?last=480&application=Depot+Desk&site=North');
});

test('on a shared page nothing leads on', () => {
  show(
    tile({
      tile: { shows: 'feed' },
      title: 'What happened',
      feed: {
        window: { fromMs: 0, toMs: NOW },
        isCut: false,
        happenings: [
          {
            id: 'opened-1',
            kind: 'opened',
            atMs: NOW,
            title: 'Fails for 24 %: Pay',
            application: 'Shop',
            team: '',
            path: '/incident/1',
          },
        ],
      },
    }),
    false,
  );
  expect(screen.getByText('Fails for 24 %: Pay')).toBeTruthy();
  expect(screen.queryAllByRole('link')).toEqual([]);
});

test('a tile that has nothing says why', () => {
  show(tile({ figure: null, nothing: 'No flow is called “Pay”.' }));
  expect(screen.getByText('No flow is called “Pay”.')).toBeTruthy();
});

test('a tile that cannot be drawn says so, and takes nothing else along', () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  show(tile({ tile: { shows: 'list' }, rows: [{} as never] }));
  expect(screen.getByText('This tile cannot be drawn.')).toBeTruthy();
  quiet.mockRestore();
});

test('figures in their units, and what is small is not none', () => {
  expect(figureText('people', 781.4, 'EUR')).toBe('781');
  expect(figureText('money', 4276, 'EUR')).toBe('€4,276');
  expect(figureText('crashes', 0.00012, 'EUR')).toBe('0.012 %');
  expect(rangeText('people', { range: { estimate: 0, low: 0, high: 0 }, of: '' }, 'EUR')).toBe('');
});

test('what a tile is, in a line', () => {
  expect(tileWords({ shows: 'curve', of: 'Pay' })).toBe('A flow’s curve over its usual range · Pay · last 60 min');
  expect(tileWords({ shows: 'figure', figure: 'money', title: 'Lost', minutes: 1440 })).toBe(
    '“Lost” · Money not earned · last 24 h',
  );
  expect(aboutTile({ shows: 'text', text: 'x' })).toBe('');
  expect(aboutTile({ shows: 'promise' })).toBe('');
});

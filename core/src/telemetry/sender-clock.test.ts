import { clockCorrectionUs } from './index';

const NOW = 1_772_442_000_000;
const HOUR_MS = 3_600_000;
const phone = (sentAt?: number | string) => ({
  'os.name': 'Android',
  ...(sentAt !== undefined && { 'toplens.sent_at': sentAt }),
});

test.each([
  ['a clock two hours behind', phone(NOW - 2 * HOUR_MS), 2 * HOUR_MS * 1000],
  ['a clock three years ahead', phone(NOW + 3 * 365 * 24 * HOUR_MS), -3 * 365 * 24 * HOUR_MS * 1000],
  ['told as a text', phone(String(NOW - HOUR_MS)), HOUR_MS * 1000],
  ['a request that was a minute under way', phone(NOW - 60_000), 0],
  ['not told', phone(), 0],
  ['no number', phone('soon'), 0],
  [
    'a server, whose clock is put right by its traces',
    { 'service.name': 'slots', 'toplens.sent_at': NOW - HOUR_MS },
    0,
  ],
])('%s', (_what, resource, us) => expect(clockCorrectionUs(resource, NOW)).toBe(us));

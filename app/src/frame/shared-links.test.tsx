import { fireEvent, render, screen } from '@testing-library/react';
import { linkWords, SharedLinks, type SharedLink } from './shared-links';

const NOW = new Date(2026, 2, 2, 10).getTime();
const LINK: SharedLink = {
  id: 'l',
  kind: 'brief',
  about: '',
  madeAt: '',
  endsAt: new Date(NOW + 3_600_000).toISOString(),
  revokedAt: null,
  uses: 1,
  url: null,
};

test('what a link opens, until when, and how often it was opened', () => {
  expect(linkWords(LINK, NOW)).toBe('To read, until 11:00, opened 1 time');
  expect(linkWords({ ...LINK, kind: 'answer', revokedAt: new Date(NOW).toISOString() }, NOW)).toBe(
    'To read and answer, revoked 10:00, opened 1 time',
  );
  expect(linkWords({ ...LINK, kind: 'board', uses: 0 }, NOW)).toBe('The whole board, until 11:00, opened 0 times');
  expect(linkWords({ ...LINK, kind: 'tile', about: 'People hurt' }, NOW + 7_200_000)).toBe(
    '“People hurt”, ended 11:00, opened 1 time',
  );
});

test('what was chosen is made; what is open can be revoked, what is over cannot', () => {
  const [make, revoke] = [jest.fn(), jest.fn()];
  const quiet = { reset: () => undefined, isPending: false, error: null };
  const later = new Date(Date.now() + 3_600_000).toISOString();
  render(
    <SharedLinks
      label="What the link opens"
      options={[
        { value: 'board', words: 'the whole board' },
        { value: '0', words: 'People hurt' },
      ]}
      links={[
        { ...LINK, endsAt: later },
        { ...LINK, id: 'over', endsAt: new Date(NOW).toISOString() },
      ]}
      make={{ ...quiet, mutate: make }}
      made={undefined}
      revoke={{ ...quiet, mutate: revoke }}
    />,
  );
  fireEvent.click(screen.getByText('People hurt'));
  fireEvent.click(screen.getByText('30 days'));
  fireEvent.click(screen.getByTestId('make-link'));
  expect(make).toHaveBeenCalledWith({ what: '0', days: 30 });
  fireEvent.click(screen.getByTestId('revoke-link'));
  expect(revoke).toHaveBeenCalledWith('l');
});

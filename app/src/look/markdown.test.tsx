import { render, screen, within } from '@testing-library/react';
import { Markdown } from './markdown';

jest.mock('expo-router', () => ({
  Link: ({ href, children }: { href: string; children: never }) => <a href={href}>{children}</a>,
}));

const TEXT = [
  '# Print labels fails',
  '30 people met a failure. Level: **hurting**.',
  '- **Since** 10:05 UTC',
  '- **Where** Sender Portal: Print labels (`POST /labels`)',
  '',
  '## The harm bill',
  '| what | harm |',
  '|---|---:|',
  '| Failed | 220 |',
  '',
  '> \\<script\\>alert(1)\\</script\\> \\[x\\](y)',
  '',
  '[Open at this moment](http://host.test/incident/3?from=a&to=b)',
].join('\n');

test('headings, lists, tables and links are what they are; no mark of Markdown is left', () => {
  render(<Markdown text={TEXT} testID="page" />);
  expect(screen.getByRole('heading', { level: 2, name: 'Print labels fails' })).toBeTruthy();
  expect(screen.getByRole('heading', { level: 3, name: 'The harm bill' })).toBeTruthy();
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    '•Since 10:05 UTC',
    '•Where Sender Portal: Print labels (POST /labels)',
  ]);
  const table = within(screen.getByRole('table'));
  expect(table.getAllByRole('columnheader').map(({ textContent }) => textContent)).toEqual(['what', 'harm']);
  expect(table.getAllByRole('cell').map(({ textContent }) => textContent)).toEqual(['Failed', '220']);
  expect(screen.getByRole('link', { name: 'Open at this moment' }).getAttribute('href')).toBe(
    'http://host.test/incident/3?from=a&to=b',
  );
  expect(screen.getByTestId('page').textContent).not.toMatch(/\*\*|^#|`|\|/);
});

test('what somebody typed stays text', () => {
  const { container } = render(<Markdown text={TEXT} />);
  expect(container.querySelector('script')).toBeNull();
  expect(container.textContent).toContain('<script>alert(1)</script> [x](y)');
});

test('HTML is shown as it stands', () => {
  const { container } = render(<Markdown text={'a <b onclick="x()">bold</b> word\n\n<img src=x onerror=y>'} />);
  expect(container.querySelector('b, img')).toBeNull();
  expect(container.textContent).toContain('<img src=x onerror=y>');
});

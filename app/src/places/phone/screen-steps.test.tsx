import { fireEvent, render, screen } from '@testing-library/react';
import { ScreenSteps } from './screen-steps';
import type { SessionPageData } from './session-words';

const shape = (
  name: string,
  atMs: number,
  kinds: readonly ('text' | 'button' | 'list')[],
): SessionPageData['shapes'][number] => ({
  atMs,
  screen: name,
  width: 390,
  height: 844,
  parts: kinds.map((kind, i) => ({ kind, x: 0, y: 10 * i, width: 100, height: 8 })),
});

test('the newest screen is shown first; one steps back and forth, and no further than there is', () => {
  render(
    <ScreenSteps
      shapes={[shape('Stop', 0, ['text']), shape('Photo', 1_000, ['button', 'list']), shape('', 2_000, [])]}
      toMs={3_000}
    />,
  );
  const step = () => screen.getByTestId('screen-step').textContent;
  expect(step()).toMatch(/^screen not told, .*: nothing\. 3 of 3\.$/);
  expect(screen.getByTestId('screen-next').getAttribute('aria-disabled')).toBe('true');
  fireEvent.click(screen.getByTestId('screen-before'));
  expect(step()).toMatch(/^Photo, .*: 1 button, 1 list\. 2 of 3\.$/);
  expect(screen.getByLabelText('Photo: 1 button, 1 list')).toBeTruthy();
  fireEvent.click(screen.getByTestId('screen-before'));
  fireEvent.click(screen.getByTestId('screen-before'));
  expect(step()).toMatch(/^Stop, .* 1 of 3\.$/);
});

test('without shapes nothing is said of them', () => {
  const { container } = render(<ScreenSteps shapes={[]} toMs={0} />);
  expect(container.innerHTML).toBe('');
});

import { render } from '@testing-library/react';
import { View } from 'react-native';
import { useReorderMotion } from './reorder-motion';

function List({ ids }: { ids: number[] }) {
  const refOf = useReorderMotion(ids);
  return (
    <>
      {ids.map((id) => (
        <View key={id} ref={refOf(id)} testID={`item-${id}`} />
      ))}
    </>
  );
}

const animate = jest.fn();
const wantsCalm = { value: false };
beforeAll(() => {
  // jsdom has neither layout nor animations: an item stands 50 px below the one before it.
  Object.defineProperty(HTMLElement.prototype, 'offsetTop', {
    configurable: true,
    get(this: HTMLElement) {
      return 50 * [...(this.parentElement?.children ?? [])].indexOf(this);
    },
  });
  HTMLElement.prototype.animate = function (this: HTMLElement, frames: Keyframe[]) {
    animate(this.dataset.testid, frames[0]?.transform);
    return {} as Animation;
  };
  window.matchMedia = (() => ({ matches: wantsCalm.value })) as never;
});
beforeEach(() => animate.mockClear());

test('what moved glides from where it was; what stays, comes or goes does not', () => {
  const { rerender } = render(<List ids={[1, 2, 3]} />);
  expect(animate).not.toHaveBeenCalled();
  rerender(<List ids={[3, 2, 4, 1]} />);
  expect(animate.mock.calls.sort()).toEqual([
    ['item-1', 'translateY(-150px)'],
    ['item-3', 'translateY(100px)'],
  ]);
  animate.mockClear();
  rerender(<List ids={[3, 2, 4, 1]} />);
  expect(animate).not.toHaveBeenCalled();
});

test('nothing moves for those who ask for less motion', () => {
  wantsCalm.value = true;
  const { rerender } = render(<List ids={[1, 2]} />);
  rerender(<List ids={[2, 1]} />);
  expect(animate).not.toHaveBeenCalled();
});

import { useLayoutEffect, useRef } from 'react';
import type { View } from 'react-native';

const MS = 260;

const wantsCalm = () =>
  typeof window.matchMedia !== 'function' || window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/**
 * When the order changes, what moved glides from where it was, so that the eye can follow it. Nothing moves for those
 * who ask their system for less motion.
 *
 * @returns gives the ref for an item
 */
export function useReorderMotion(ids: readonly number[]): (id: number) => (item: View | null) => void {
  const items = useRef(new Map<number, HTMLElement>());
  const tops = useRef(new Map<number, number>());
  const order = ids.join();
  useLayoutEffect(() => {
    const before = tops.current;
    tops.current = new Map();
    for (const [id, item] of items.current) {
      const top = item.offsetTop;
      const from = before.get(id);
      tops.current.set(id, top);
      if (from === undefined || from === top || wantsCalm()) continue;
      item.animate([{ transform: `translateY(${from - top}px)` }, { transform: 'none' }], {
        duration: MS,
        easing: 'ease-out',
      });
    }
  }, [order]);
  return (id) => (item) => {
    if (item) items.current.set(id, item as unknown as HTMLElement);
    else items.current.delete(id);
  };
}

import { useEffect, useRef } from 'react';
import { Platform } from 'react-native';

/** Keys and what they do, for the list that `?` shows. */
export const SHORTCUTS: readonly [key: string, words: string][] = [
  ['1', 'Worst first'],
  ['2', 'Flows'],
  ['3', 'People'],
  ['4', 'Promises'],
  ['5', 'Sent'],
  ['j / k', 'down and up the table'],
  ['Enter', 'open'],
  ['Esc', 'back, or close'],
  ['s', 'send the incident that is chosen'],
  ['a', 'accept it, where it waits for that'],
  ['x', 'set it aside for two hours'],
  ['t', 'time'],
  ['c', 'compare with another time'],
  ['f', 'filter: application, flow, team, site …'],
  ['l', 'copy link'],
  ['?', 'this list'],
];

const OFF = 'toplens.shortcuts.off';

/** Single keys are on unless somebody switched them off in this browser. */
export const shortcutsAreOn = (): boolean => Platform.OS === 'web' && localStorage.getItem(OFF) === null;

export function switchShortcuts(areOn: boolean): void {
  if (areOn) localStorage.removeItem(OFF);
  else localStorage.setItem(OFF, 'yes');
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

/** Runs what belongs to a key, unless somebody types or a sheet is open. */
export function useShortcuts(keys: Record<string, () => void>): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    if (Platform.OS !== 'web') return undefined;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[aria-modal="true"]')) return;
      // A link or button in focus knows by itself what Enter means.
      if (
        event.key === 'Enter' &&
        event.target instanceof HTMLElement &&
        event.target.closest('a, button, [role="button"]')
      )
        return;
      // Escape and Enter are no single characters: they stay.
      if (event.key.length === 1 && !shortcutsAreOn()) return;
      const run = latest.current[event.key];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

import { useState } from 'react';

/** A text that this browser remembers under a name; '' at first. */
export function useRemembered(name: string): [text: string, setText: (text: string) => void] {
  const [text, setText] = useState(() => {
    try {
      return localStorage.getItem(name) ?? '';
    } catch {
      return '';
    }
  });
  return [
    text,
    (next) => {
      setText(next);
      try {
        localStorage.setItem(name, next);
      } catch {
        // Storage may be forbidden: then it lives as long as the page.
      }
    },
  ];
}

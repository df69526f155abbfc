import { useState } from 'react';

const NAME = 'toplens.countries';

function stored(): string[] {
  try {
    const values: unknown = JSON.parse(localStorage.getItem(NAME) ?? '[]');
    return Array.isArray(values) ? values.filter((value) => typeof value === 'string') : [];
  } catch {
    return [];
  }
}

/** The few countries that somebody keeps an eye on; remembered by this browser. */
export function useKeptCountries(): [kept: readonly string[], toggle: (country: string) => void] {
  const [kept, setKept] = useState(stored);
  return [
    kept,
    (country) => {
      const next = kept.includes(country) ? kept.filter((one) => one !== country) : [...kept, country];
      setKept(next);
      try {
        localStorage.setItem(NAME, JSON.stringify(next));
      } catch {
        // Storage may be forbidden: then they live as long as the page.
      }
    },
  ];
}

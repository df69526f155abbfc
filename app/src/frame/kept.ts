import { useRemembered } from './remembered';

/** The few countries that somebody keeps an eye on; remembered by this browser. */
export function useKeptCountries(): [kept: readonly string[], toggle: (country: string) => void] {
  const [codes, setCodes] = useRemembered('toplens.countries');
  const kept = codes.split(' ').filter(Boolean);
  return [
    kept,
    (country) =>
      setCodes((kept.includes(country) ? kept.filter((one) => one !== country) : [...kept, country]).join(' ')),
  ];
}

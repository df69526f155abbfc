import { counted, percent } from '../words';

/** Where attempts fail, as traces and stacks tell it; '' and 0 where they do not. */
export interface SharedFailure {
  component: string;
  type: string;
  className: string;
  method: string;
  file: string;
  line: number;
  attempts: number;
  looked: number;
}

/**
 * What was thrown, where, and how many share it.
 *
 * @example 'SurchargeMissing in slots, Tariff.surcharge (tariff.ts:118): 180 of the newest 210 failing attempts, 86 %'
 */
export function failureWords({
  component,
  type,
  className,
  method,
  file,
  line,
  attempts,
  looked,
}: SharedFailure): string {
  const where = [className, method].filter(Boolean).join('.');
  const at = file === '' ? '' : `${where === '' ? '' : ' '}(${file}${line > 0 ? `:${line}` : ''})`;
  const place = where + at === '' ? '' : `, ${where}${at}`;
  const among = component === '' ? '' : ` in ${component}`;
  return `${type || 'An error'}${among}${place}: ${shared(attempts, looked)}`;
}

/** Not all of a long incident are looked at. */
const shared = (attempts: number, looked: number): string =>
  looked === 1
    ? 'the newest failing attempt'
    : `${attempts} of the newest ${counted(looked, 'failing attempt')}, ${percent(attempts / looked)}`;

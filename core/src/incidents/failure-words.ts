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
 * @example 'SurchargeMissing in slots, Tariff.surcharge (tariff.ts:118): 180 of 210 failing attempts, 86 %'
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
  return `${type || 'An error'}${among}${place}: ${attempts} of ${counted(looked, 'failing attempt')}, ${percent(attempts / Math.max(1, looked))}`;
}

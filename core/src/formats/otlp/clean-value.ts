import { cleanText } from '../../telemetry';
import { LONGEST_VALUE } from './shape';

/** Text of a value as it is kept: so long at most, its lines kept, nothing in it that cannot be shown or stored. */
export const cleanValue = (text: string): string =>
  text.slice(0, LONGEST_VALUE).replace(/\r\n?/g, '\n').replace(/\t/g, ' ').split('\n').map((line) => cleanText(line, LONGEST_VALUE)).join('\n'); // prettier-ignore

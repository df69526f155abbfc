/**
 * The default alphabet of short messages, and its extension, whose characters take two places (3GPP TS 23.038, 6.2.1;
 * from memory).
 */
const ALPHABET =
  '@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !"#¤%&\'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà';
const EXTENSION = '\f^{}\\[~]|€';
/** What fits one short message. */
export const LONGEST_MESSAGE = 160;

const PLAIN: Readonly<Record<string, string>> = {
  '×': 'x',
  '–': '-',
  '—': '-',
  '−': '-',
  '“': '"',
  '”': '"',
  '„': '"',
  '‘': "'",
  '’': "'",
  '…': '...',
  '·': '-',
  '→': '->',
  '\u00a0': ' ',
  '\u202f': ' ',
};

/** A text in the alphabet of short messages: letters lose marks that it does not have, all else becomes "?". */
export function gsmText(text: string): string {
  return [...text]
    .map((char) => {
      if (ALPHABET.includes(char) || EXTENSION.includes(char)) return char;
      if (PLAIN[char] !== undefined) return PLAIN[char];
      const base = char.normalize('NFD').replace(/\p{M}/gu, '');
      return base !== '' && [...base].every((one) => ALPHABET.includes(one)) ? base : '?';
    })
    .join('');
}

/** Places that a text of this alphabet takes. */
export const gsmLength = (text: string): number =>
  [...text].reduce((sum, char) => sum + (EXTENSION.includes(char) ? 2 : 1), 0);

/** Cuts a text so that it takes so many places at most, with "..." where something is missing. */
export function gsmCut(text: string, places: number): string {
  if (gsmLength(text) <= places) return text;
  let cut = '';
  for (const char of text) {
    if (gsmLength(cut + char) > places - 3) break;
    cut += char;
  }
  return `${cut.trimEnd()}...`;
}

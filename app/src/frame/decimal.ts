/** "1.2" or "1,2" → 1.2; NaN when it is no number. Nothing at all is 0. */
export const parseDecimal = (text: string): number => Number(text.trim().replace(',', '.'));

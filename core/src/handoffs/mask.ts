/** First four characters of an id, the rest hidden: enough to match a line with another, too little to name anybody. */
export const maskId = (id: string): string => (id === '' ? '' : `${id.slice(0, 4)}…`);

// Bounded in every part: a line is read in time whatever stands in it.
const ADDRESS = /[\w.+-]{1,64}@[\w-]{1,63}(?:\.[\w-]{1,63}){1,8}/g;
/** Numbers of cards, accounts and telephones: nine digits and more, in groups or not. */
const LONG_NUMBER = /(?<![\w-])\+?\d(?:[ -]?\d){8,30}(?![\w-])/g;
/** Shorter ids stand in many words that name nobody. */
const SHORTEST_ID = 4;

/**
 * A text from telemetry with what may name somebody hidden: mail addresses, long numbers, and these ids.
 *
 * @param ids of people whom the text may name: whoever made the attempt that it belongs to
 * @example maskText('parcel of sender-00017 to ann@mail.test', ['sender-00017']) // 'parcel of send… to ann@…'
 */
export function maskText(text: string, ids: readonly string[] = []): string {
  let masked = text;
  for (const id of ids) if (id.length >= SHORTEST_ID) masked = masked.replaceAll(id, maskId(id));
  return masked
    .replace(ADDRESS, (address) => `${maskId(address.slice(0, address.indexOf('@'))).replace(/…$/, '')}@…`)
    .replace(LONG_NUMBER, maskId);
}

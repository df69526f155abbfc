/** A record that cannot be taken; the message names the field, in words for the person who runs the sender. */
export class RecordRefused extends Error {
  override name = 'RecordRefused';
}

/** The bytes are not a message of the protocol: nothing of it can be taken. */
export class MalformedTelemetry extends Error {
  override name = 'MalformedTelemetry';

  constructor(
    /** where in the message, as a path of its field names */
    readonly field: string,
    readonly problem: string,
  ) {
    super(`${field}: ${problem}`);
  }
}

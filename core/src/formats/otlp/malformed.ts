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

/** The message is sound, but holds more than one request may. */
export class TooMuchTelemetry extends MalformedTelemetry {
  override name = 'TooMuchTelemetry';
}

/** Counts the records of a request while it is read: what is too much is never in memory as a whole. */
export class RecordCount {
  #records = 0;

  constructor(private readonly most: number) {}

  /** @throws TooMuchTelemetry */
  add(field: string): void {
    if (++this.#records > this.most)
      throw new TooMuchTelemetry(field, `more than ${this.most} records in a request; send smaller batches`);
  }
}

import { createHmac } from 'node:crypto';
import { hideSecrets } from '@toplens/core/masking';
import type { Attributes } from '@toplens/core/telemetry';
import { LRUCache } from 'lru-cache';
import { KINDS, type Records } from './records';

/** Names come again and again: looked at once. */
const NAMES_HELD = 10_000;
const LONGEST_HELD = 500;
/** Who somebody is, which is kept apart and shown to few: a person may be known by a mail address. */
const OF_PERSONS: ReadonlySet<string> = new Set(['user.id', 'enduser.id', 'session.id', 'toplens.remote.session']);

/** What is hidden in each kind of record; all that is not named here are numbers, ids, or who somebody is. */
type Hiding = { [Kind in keyof Records]: (record: Records[Kind][number]) => void };

/**
 * Takes out of telemetry what must never be stored (`core/masking`), before it is: whatever is read from the journal
 * goes through here.
 */
export class WithoutSecrets {
  readonly #names = new LRUCache<string, string>({ max: NAMES_HELD });
  readonly #hiding: Hiding;

  /** @param key of this installation: tells the same mail address by the same number, which leads nowhere else */
  constructor(private readonly key: Buffer) {
    this.#hiding = {
      attempts: (attempt) => this.#attempt(attempt),
      toldBeside: (attempt) => this.#attempt(attempt),
      // Statements come masked.
      spans: (span) => {
        span.name = this.name(span.name);
        span.peer = this.name(span.peer);
        this.#failed(span);
      },
      // Lines are hidden when they are read, since what tells them apart is what is stored of them.
      lines: () => undefined,
      points: ({ series }) => {
        series.attributes = this.#values(series.attributes);
      },
      changes: (change) => {
        change.id = this.text(change.id);
        change.title = this.text(change.title);
        change.by = this.text(change.by);
      },
      views: (view) => {
        view.page = this.name(view.page);
        view.path = this.name(view.path);
        for (const resource of view.resources) resource.url = this.name(resource.url);
      },
      errors: (error) => {
        error.page = this.name(error.page);
        this.#thrown(error);
      },
      crashes: (crash) => {
        this.#thrown(crash);
        for (const thread of crash.threads) thread.stack = this.text(thread.stack);
        for (const entry of crash.trail) entry.what = this.text(entry.what);
      },
      moments: (moment) => this.#moment(moment),
      requests: (moment) => this.#moment(moment),
      probeRuns: (run) => {
        run.fault = this.text(run.fault);
      },
      probeSteps: (step) => {
        step.name = this.name(step.name);
        step.message = this.text(step.message);
      },
      remote: () => undefined,
      marks: ({ mark }) => {
        mark.attributes = this.#values(mark.attributes);
      },
    };
  }

  /** Changes the records themselves. */
  take(records: Records): void {
    for (const kind of KINDS)
      for (const record of records[kind]) (this.#hiding[kind] as (one: unknown) => void)(record);
  }

  /** What somebody or something wrote. */
  text(text: string): string {
    return hideSecrets(text, (address) =>
      String(createHmac('sha256', this.key).update(address).digest().readUInt16BE()),
    );
  }

  /** What something is called: the same for everybody, so without a number for whom it names. */
  name(name: string): string {
    if (name.length > LONGEST_HELD) return hideSecrets(name);
    let hidden = this.#names.get(name);
    if (hidden === undefined) this.#names.set(name, (hidden = hideSecrets(name)));
    return hidden;
  }

  #attempt(attempt: Records['attempts'][number]): void {
    attempt.flow = this.name(attempt.flow);
    this.#failed(attempt);
  }

  #failed(record: Pick<Records['attempts'][number], 'failure' | 'detail'>): void {
    record.failure = this.name(record.failure);
    if (record.detail) this.#thrown(record.detail);
  }

  #thrown(thrown: { message: string; stack: string }): void {
    thrown.message = this.text(thrown.message);
    thrown.stack = this.text(thrown.stack);
  }

  #moment(moment: Records['moments'][number]): void {
    moment.what = this.name(moment.what);
    moment.message = this.text(moment.message);
  }

  #values<Values extends Attributes | Readonly<Record<string, unknown>>>(values: Values): Values {
    let changed: Record<string, unknown> | undefined;
    for (const name in values) {
      const value: unknown = values[name];
      if (typeof value !== 'string' || OF_PERSONS.has(name)) continue;
      const hidden = this.name(value);
      if (hidden !== value) (changed ??= { ...values })[name] = hidden;
    }
    return (changed as Values | undefined) ?? values;
  }
}

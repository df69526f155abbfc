import type { ProbeScript } from '@toplens/core/probes';
import { findBrowser } from './browser-steps';
import { Guard } from './guard';
import { Outbox, type SendResult } from './outbox';
import { runScript } from './run-script';
import { SelfCheck } from './self-check';
import { runAsOtlp } from './telemetry';

export interface RunnerOptions {
  site: string;
  host: string;
  /** address of Top Lens */
  server: string;
  /** ingest key; '' where none is needed */
  key: string;
  /** inner addresses that scripts may ask, as host or host:port */
  allow: readonly string[];
  /** what `{{names}}` in scripts stand for here */
  values: Readonly<Record<string, string>>;
  /** where runs wait for the server */
  spool: string;
  browserPath?: string | undefined;
  log: (line: string) => void;
  /** this machine's clock */
  now?: () => number;
}

const SCRIPTS_EVERY_MS = 30_000;
const LONGEST_ASK_MS = 15_000;

interface Scheduled {
  script: ProbeScript;
  timer: NodeJS.Timeout | undefined;
  running: Promise<void> | undefined;
}

/** Runs the scripts of one site by their schedules, and tells the server how they went. */
export class Runner {
  readonly #check = new SelfCheck();
  readonly #guard: Guard;
  readonly #outbox: Outbox;
  readonly #scheduled = new Map<string, Scheduled>();
  readonly #now: () => number;
  #asking: NodeJS.Timeout | undefined;
  #isStopped = false;
  #told = '';

  constructor(private readonly options: RunnerOptions) {
    this.#guard = new Guard(options.allow);
    this.#outbox = new Outbox({ dir: options.spool, send: (body) => this.#send(body), log: options.log });
    this.#now = options.now ?? Date.now;
  }

  async start(): Promise<void> {
    await this.#check.start();
    this.#outbox.kick();
    await this.#askAgain();
  }

  /** Scripts that cannot be asked for stay as they were. */
  async #askAgain(): Promise<void> {
    try {
      this.#take(await this.#scripts());
    } catch (error) {
      this.#say(`scripts cannot be asked for: ${(error as Error).message}; those that are known go on`);
    }
    if (!this.#isStopped) this.#asking = setTimeout(() => void this.#askAgain(), SCRIPTS_EVERY_MS);
  }

  #headers = (): Record<string, string> =>
    this.options.key === '' ? {} : { authorization: `Bearer ${this.options.key}` };

  async #scripts(): Promise<ProbeScript[]> {
    const { server, site } = this.options;
    const askedMs = this.#now();
    const response = await fetch(`${server}/v1/probes?site=${encodeURIComponent(site)}`, {
      headers: this.#headers(),
      signal: AbortSignal.timeout(LONGEST_ASK_MS),
    });
    const text = await response.text();
    if (!response.ok) throw new Error(`${response.status}: ${text.slice(0, 300)}`);
    const { nowMs, scripts } = JSON.parse(text) as { nowMs: number; scripts: ProbeScript[] };
    if (!Number.isFinite(nowMs) || !Array.isArray(scripts)) throw new Error('the server answered something else');
    this.#check.noteClock(nowMs, { askedMs, answeredMs: this.#now() });
    return scripts;
  }

  #take(scripts: readonly ProbeScript[]): void {
    const wanted = new Map(scripts.map((script) => [script.name, script]));
    for (const [name, { script, timer }] of this.#scheduled)
      if (JSON.stringify(wanted.get(name)) !== JSON.stringify(script)) {
        clearTimeout(timer);
        this.#scheduled.delete(name);
      }
    for (const [name, script] of wanted)
      if (!this.#scheduled.has(name)) {
        const scheduled: Scheduled = { script, timer: undefined, running: undefined };
        this.#scheduled.set(name, scheduled);
        this.#schedule(scheduled, 0);
      }
    this.#say(
      scripts.length === 0
        ? `no probe is to be run from ${this.options.site}: add the site to one in Settings, Probes`
        : `runs ${scripts.map(({ name, everyS }) => `${name} every ${everyS} s`).join(', ')}`,
    );
  }

  #schedule(scheduled: Scheduled, afterMs: number): void {
    const { script } = scheduled;
    const everyMs = 1000 * script.everyS;
    scheduled.timer = setTimeout(() => {
      const begun = performance.now();
      scheduled.running = this.runOnce(script)
        .catch((error: Error) => this.options.log(`${script.name}: ${error.message}`))
        .finally(() => {
          scheduled.running = undefined;
          if (this.#isStopped || this.#scheduled.get(script.name) !== scheduled) return;
          // A run that takes longer than its schedule is followed by the next step of it, and never overtaken.
          const taken = performance.now() - begun;
          this.#schedule(scheduled, Math.ceil((taken + 1) / everyMs) * everyMs - taken);
        });
    }, afterMs);
  }

  /** One run: self-check before and after, so that whatever held this machine up is told with it. */
  async runOnce(script: ProbeScript): Promise<void> {
    const before = await this.#check.fault();
    const now = () => this.#now() - this.#check.aheadMs;
    const { values, browserPath, site, host } = this.options;
    const run = await runScript(script, { guard: this.#guard, values, browserPath: findBrowser(browserPath), now });
    const after = await this.#check.fault();
    const fault = before || run.fault || after;
    this.#outbox.add(`${Math.round(run.startMs)}-${run.spanId}`, runAsOtlp(script, { ...run, fault }, { site, host }));
  }

  async #send(body: string): Promise<SendResult> {
    try {
      const response = await fetch(`${this.options.server}/v1/traces`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', ...this.#headers() },
        body,
        signal: AbortSignal.timeout(LONGEST_ASK_MS),
      });
      const text = await response.text();
      if (response.ok) return 'taken';
      this.#say(`the server does not take runs: ${response.status}: ${text.slice(0, 300)}`);
      // A wrong key is put right sooner or later; what is no telemetry is not.
      return response.status === 400 || response.status === 413 ? 'refused' : 'later';
    } catch (error) {
      this.#say(`the server cannot be reached: ${(error as Error).message}; runs wait on the disk`);
      return 'later';
    }
  }

  /** The same is not said twice in a row. */
  #say(line: string): void {
    if (line !== this.#told) this.options.log(line);
    this.#told = line;
  }

  async stop(): Promise<void> {
    this.#isStopped = true;
    clearTimeout(this.#asking);
    for (const { timer } of this.#scheduled.values()) clearTimeout(timer);
    for (const { running } of this.#scheduled.values()) await running;
    await this.#outbox.stop();
    this.#check.stop();
  }
}

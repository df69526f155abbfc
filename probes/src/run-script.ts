import {
  filledIn,
  isBrowserStep,
  LONGEST_STEP_MS,
  STEP_KINDS,
  type ProbeScript,
  type ProbeStep,
  type RequestParts,
} from '@toplens/core/probes';
import { PROBE_AGENT, PROBE_TRACE_STATE } from '@toplens/core/telemetry';
import { randomBytes } from 'node:crypto';
import { BrowserSteps } from './browser-steps';
import { ResolverDead, type Guard } from './guard';
import { askStep } from './request-step';

export interface StepResult {
  spanId: string;
  name: string;
  startMs: number;
  durationMs: number;
  /** why it failed; undefined when it did not */
  failure: string | undefined;
  parts: RequestParts | undefined;
}

export interface RunResult {
  traceId: string;
  spanId: string;
  startMs: number;
  durationMs: number;
  /** the one that failed is the last */
  steps: StepResult[];
  /** what of this machine kept the run from telling anything; '' when nothing did */
  fault: string;
}

export interface RunOptions {
  guard: Guard;
  /** what `{{names}}` stand for */
  values: Readonly<Record<string, string>>;
  browserPath: string | undefined;
  /** milliseconds since the epoch, by the server's clock */
  now: () => number;
}

const hex = (bytes: number) => randomBytes(bytes).toString('hex');

/** Runs a script once, step after step; a step that fails ends it. */
export async function runScript({ steps }: Pick<ProbeScript, 'steps'>, options: RunOptions): Promise<RunResult> {
  const { guard, now, browserPath } = options;
  const run: RunResult = { traceId: hex(16), spanId: hex(8), startMs: now(), durationMs: 0, steps: [], fault: '' };
  const begun = performance.now();
  const browser = new BrowserSteps(guard, browserPath);
  try {
    for (const step of steps) {
      const spanId = hex(8);
      const headers = {
        'user-agent': `${PROBE_AGENT}/1`,
        traceparent: `00-${run.traceId}-${spanId}-01`,
        tracestate: PROBE_TRACE_STATE,
      };
      const startMs = now();
      const stepBegun = performance.now();
      let failure: string | undefined;
      let parts: RequestParts | undefined;
      try {
        parts = await runStep(step, { ...options, headers, browser });
      } catch (error) {
        failure = (error as Error).message;
        if (error instanceof ResolverDead) run.fault = failure;
      }
      run.steps.push({ spanId, name: step.name, startMs, durationMs: performance.now() - stepBegun, failure, parts });
      if (failure !== undefined) break;
    }
  } finally {
    await browser.close();
  }
  run.durationMs = performance.now() - begun;
  return run;
}

function runStep(
  step: ProbeStep,
  { guard, values, headers, browser }: RunOptions & { headers: Record<string, string>; browser: BrowserSteps },
): Promise<RequestParts | undefined> {
  // A server that is newer than this runner may know more kinds.
  if (!STEP_KINDS.includes(step.kind))
    return Promise.reject(new Error(`kind: this runner does not know “${step.kind}”; it is older than the server`));
  const url = step.url === undefined ? undefined : filledIn(step.url, values);
  if (url !== undefined && !URL.canParse(url)) return Promise.reject(new Error(`url: ${url} is no address`));
  if (isBrowserStep(step.kind))
    return browser.run({ ...step, url }, { traceparent: headers.traceparent ?? '', tracestate: PROBE_TRACE_STATE });
  if (url === undefined) return Promise.reject(new Error('url: is missing'));
  return askStep({ ...step, url }, { guard, headers, signal: AbortSignal.timeout(LONGEST_STEP_MS) });
}

import { durationWords, percent } from '../words';

/** What attempts of one time asked of a store by one shape of statement. */
export interface StatementTime {
  component: string;
  /** without values; see `maskStatement` */
  statement: string;
  calls: number;
  /** ms of all calls together */
  totalMs: number;
  /** attempts that sent it */
  attempts: number;
}

/** A fair sample of attempts, and all that they asked of stores. */
export interface StatementSample {
  attempts: number;
  /** mean duration of an attempt, ms */
  meanMs: number;
  statements: readonly StatementTime[];
}

/** A statement that takes more of an attempt than usual. */
export interface SlowerStatement {
  component: string;
  statement: string;
  /** ms of a mean attempt, now and as usual; 0 where it was not sent */
  nowMs: number;
  usualMs: number;
  /** calls of a mean attempt */
  nowCalls: number;
  usualCalls: number;
  /** of what attempts take longer than usual, 0 to 1; parallel calls may add up to more, and are cut */
  shareOfExcess: number;
}

/** So many attempts on both sides, or nothing is said (common practice, no source). */
export const FEWEST_ATTEMPTS = 10;
/** A statement that is found in fewer attempts is an accident. */
const FEWEST_WITH_IT = 5;
/** Of what attempts take longer, less than this says nothing of where it comes from. Our own choice. */
const LEAST_SHARE = 0.2;
/** And it must itself take so much longer: of a slow host everything takes a little longer. Our own choice. */
const LEAST_RATIO = 1.5;

/**
 * Statements that explain why attempts take longer than usual, those that explain most first. Time counts per attempt,
 * so that a statement that is sent more often is found as one that takes longer each time is.
 *
 * @returns nothing where attempts take no longer, or too few are known
 */
export function slowerStatements(now: StatementSample, usual: StatementSample, most: number): SlowerStatement[] {
  const excessMs = now.meanMs - usual.meanMs;
  if (Math.min(now.attempts, usual.attempts) < FEWEST_ATTEMPTS || !(excessMs > 0)) return [];
  const before = new Map(usual.statements.map((one) => [nameOf(one), one]));
  return now.statements
    .filter(({ attempts }) => attempts >= FEWEST_WITH_IT)
    .map((one) => {
      const known = before.get(nameOf(one));
      const nowMs = one.totalMs / now.attempts;
      const usualMs = (known?.totalMs ?? 0) / usual.attempts;
      return {
        component: one.component,
        statement: one.statement,
        nowMs,
        usualMs,
        nowCalls: one.calls / now.attempts,
        usualCalls: (known?.calls ?? 0) / usual.attempts,
        shareOfExcess: Math.min(1, (nowMs - usualMs) / excessMs),
      };
    })
    .filter(({ nowMs, usualMs, shareOfExcess }) => shareOfExcess >= LEAST_SHARE && nowMs >= LEAST_RATIO * usualMs)
    .sort((a, b) => b.shareOfExcess - a.shareOfExcess || (nameOf(a) < nameOf(b) ? -1 : 1))
    .slice(0, most);
}

const nameOf = ({ component, statement }: Pick<StatementTime, 'component' | 'statement'>): string =>
  JSON.stringify([component, statement]);

const callsOf = (calls: number): string => String(Number(calls.toFixed(1)));

/** "1.2 s of an attempt, usually 12 ms: 83 % of what attempts take longer" */
export function slowerWords({
  nowMs,
  usualMs,
  nowCalls,
  usualCalls,
  shareOfExcess,
}: Omit<SlowerStatement, 'component' | 'statement'>): string {
  const usual = usualCalls === 0 ? 'not sent before' : `usually ${durationWords(usualMs)}`;
  const calls =
    usualCalls > 0 && nowCalls >= LEAST_RATIO * usualCalls
      ? `, ${callsOf(nowCalls)} calls an attempt in place of ${callsOf(usualCalls)}`
      : '';
  return `${durationWords(nowMs)} of an attempt, ${usual}${calls}: ${percent(shareOfExcess)} of what attempts take longer`;
}

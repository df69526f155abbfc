import type { Outcome } from '../../flows';
import type { Deviation } from '../../normal';
import { normalInterval, sum, type Interval } from '../../stats';
import type { Window } from '../../time';
import { failedOf, notUsual, sumAttempts, waitingOf, type AttemptSums } from './attempt-sums';
import type { BillContext } from './bill-context';
import { countLeft, type Left } from './left';
import { spentPromises, type SpentPromise } from './spent-promises';
import { countMissing, missingPeople, missingStretches, type Missing } from './missing';

export const BILL_LINES = ['waiting', 'failed', 'left', 'missing', 'money', 'keyCustomers'] as const;
export type BillLineName = (typeof BILL_LINES)[number];

/** One line of the receipt: quantity × rate × importance = harm. */
export interface BillLine {
  name: BillLineName;
  /** minutes, attempts, people, attempts, units of currency, minutes */
  quantity: Interval;
  rate: number;
  /** of the flows in it, mean by quantity; 1 unless their owners set another */
  importance: number;
  /** harm in points, importance of the flow included */
  harm: Interval;
}

export interface HarmBill {
  window: Window;
  lines: BillLine[];
  /** sum of the lines, points */
  harm: Interval;
  /** people hurt beyond the usual, each counted once */
  people: Interval;
  /** people hurt who belong to key tiers */
  keyPeople: number;
  /** attempts of the root flows in the window, by what became of them */
  outcomes: Record<Outcome, number>;
  /** attempts that never came, in the flow that misses most */
  missingAttempts: number;
  /** of the money, what it adds to the penalties expected, units of currency */
  penalties: number;
  /** promises whose budget it spent of; those that it makes dearest first */
  promises: SpentPromise[];
  /** the people who met a late, hung or failed attempt, by number; for exports and unions */
  hurtPersons: Set<number>;
  /** attempts that went wrong and do not say whose they are; of the people each is one */
  unnamedHurt: number;
}

/**
 * True where so many attempts do not say whose they are that people are known roughly at best: somebody who tried twice
 * counts as two.
 */
export const isAbout = ({ unnamedHurt, people }: Pick<HarmBill, 'unnamedHurt' | 'people'>): boolean =>
  unnamedHurt > MOST_UNNAMED * people.estimate;

const MOST_UNNAMED = 0.1;

/** What a line counts, in its own unit; 0 where the bill has no such line. */
export const quantityOf = (bill: Pick<HarmBill, 'lines'>, name: BillLineName): number =>
  bill.lines.find((line) => line.name === name)?.quantity.estimate ?? 0;

/**
 * The harm bill of an incident over a window: each line is what came beyond the usual. Pure in the set of rows: order
 * and batches make no difference.
 *
 * @param parts deviations of the incident; those that are not 'missing', or else all, are its root
 */
export function harmBill(parts: readonly Deviation[], window: Window, context: BillContext): HarmBill {
  const bad = parts.filter((part) => part.signal !== 'missing');
  const missing = parts.filter((part) => part.signal === 'missing');
  const root = sumAttempts(bad, window, context);
  const left = countLeft(bad, window, context);
  const absent = missingStretches(bad, missing).map((stretch) => countMissing(stretch, window, context));
  const worst = absent.reduce<Missing | undefined>((a, b) => (a && a.quantity >= b.quantity ? a : b), undefined);
  const charged = chargeable(absent, left, bad);
  const { rates } = context;
  const lines = [
    lineOf(
      'waiting',
      rates.waiting,
      root.flows.map(({ all, importance, edge }) => ({ ...waitingOf(all, edge), importance })),
    ),
    lineOf(
      'failed',
      rates.failed,
      root.flows.map(({ all, importance, edge }) => ({ ...failedOf(all, edge), importance })),
    ),
    lineOf(
      'left',
      rates.left,
      (left ?? []).map((one) => ({ quantity: one.people, sd: one.sd, importance: context.importanceOf(one.flow) })),
    ),
    lineOf(
      'missing',
      rates.missing,
      charged.map((one) => ({ ...one, importance: context.importanceOf(one.flow) })),
    ),
  ];
  const promises = spentPromises(parts, window, context);
  const penalties = sum(promises.map(({ penalty }) => penalty));
  const money = moneyOf(root, left ?? [], charged, penalties);
  lines.push(lineOf('money', rates.money, [{ ...money, importance: 1 }]));
  lines.push(keyLine(root, { left: left ?? [], charged, lines, context }));
  const spread = Math.hypot(...lines.map((entry) => (entry.harm.high - entry.harm.low) / 2 / 1.96));
  const absentPeople = bad.length > 0 ? { mean: 0, sd: 0 } : missingPeople(missing, absent, window, context);
  return {
    window,
    lines,
    harm: normalInterval(sum(lines.map((entry) => entry.harm.estimate)), spread),
    people: normalInterval(root.people.mean + absentPeople.mean, Math.hypot(root.people.sd, absentPeople.sd)),
    keyPeople: root.keyPeople,
    outcomes: root.outcomes,
    missingAttempts: worst ? worst.quantity : 0,
    penalties,
    promises,
    hurtPersons: root.hurtPersons,
    unnamedHurt: root.unnamedHurt,
  };
}

/**
 * People who left upstream are missing in every flow behind. Where sessions tell who left, that is charged and what is
 * missing behind is not; where they do not, the flow that misses most is. An outage has no flow in front: each flow
 * misses its own attempts.
 */
function chargeable(
  absent: readonly Missing[],
  left: readonly Left[] | undefined,
  bad: readonly Deviation[],
): readonly Missing[] {
  if (bad.length === 0) return absent;
  const own = new Set(bad.map((part) => part.flow));
  if (left) return absent.filter((one) => own.has(one.flow));
  const worst = absent.reduce<Missing | undefined>((a, b) => (a && a.harm >= b.harm ? a : b), undefined);
  return worst ? [worst] : [];
}

function lineOf(
  name: BillLineName,
  rate: number,
  parts: readonly { quantity: number; sd: number; importance: number }[],
): BillLine {
  const quantity = normalInterval(sum(parts.map((part) => part.quantity)), Math.hypot(...parts.map((part) => part.sd)));
  const weighted = sum(parts.map((part) => Math.max(0, part.quantity) * part.importance));
  const plain = sum(parts.map((part) => Math.max(0, part.quantity)));
  const weight = plain > 0 ? weighted / plain : (parts[0]?.importance ?? 1);
  return { name, quantity, rate, importance: weight, harm: scale(quantity, rate * weight) };
}

const scale = (interval: Interval, by: number): Interval => ({
  estimate: interval.estimate * by,
  low: interval.low * by,
  high: interval.high * by,
});

/** Completions lost: what failed for good, left, or never came. A flow's own value is lost once. */
function moneyOf(
  root: AttemptSums,
  left: readonly Left[],
  charged: readonly Missing[],
  penalties: number,
): { quantity: number; sd: number } {
  const failed = sum(root.flows.map(({ all }) => all.lost * notUsual(all)));
  // How many failed beyond the usual is known as well as the line of failed ones tells; values differ from one another.
  const failedSd = Math.hypot(
    ...root.flows.map(({ all, edge }) =>
      all.unrecovered > 0
        ? Math.hypot((all.lost / all.unrecovered) * failedOf(all, edge).sd, Math.sqrt(all.lostVariance * notUsual(all)))
        : 0,
    ),
  );
  return {
    quantity: failed + sum(left.map((one) => one.money)) + sum(charged.map((one) => one.money)) + penalties,
    sd: Math.hypot(failedSd, ...left.map((one) => one.moneySd), ...charged.map((one) => one.moneySd), penalties * 0.3),
  };
}

/** Harm of people in key tiers counts again, as certain as the lines that it repeats. */
function keyLine(
  root: AttemptSums,
  {
    left,
    charged,
    lines,
    context,
  }: { left: readonly Left[]; charged: readonly Missing[]; lines: readonly BillLine[]; context: BillContext },
): BillLine {
  const { rates } = context;
  const minutes =
    sum(
      root.flows.map(
        ({ key, importance }) =>
          importance * (Math.max(0, waitingOf(key).quantity) * rates.waiting + failedOf(key).quantity * rates.failed) +
          key.lost * notUsual(key) * rates.money,
      ),
    ) +
    sum(left.map((one) => one.keyPeople * rates.left * context.importanceOf(one.flow) + one.keyMoney * rates.money)) +
    sum(charged.map((one) => one.keyHarm + one.keyMoney * rates.money));
  const total = sum(lines.map((line) => line.harm.estimate));
  const relative = total > 0 ? Math.hypot(...lines.map((line) => line.harm.high - line.harm.low)) / 4 / total : 0;
  return lineOf('keyCustomers', rates.keyMultiplier - 1, [
    { quantity: minutes, sd: minutes * relative, importance: 1 },
  ]);
}

import { binomialZ, bucketMiddleMs, forEachBucket, sum } from '../stats';
import type { BucketHistory, UsualBucket } from './bucket-history';
import { pool, robustLogDuration } from './log-durations';
import { STRAINED_SPREADS } from './range';

/** Blocks of fewer attempts tell too little to be compared. */
const FEWEST_IN_BLOCK = 20;
/** Of this part of the blocks is taken that it was calm: trouble has to last for nine tenths to hide. */
const CALMEST = 0.1;
/** What takes so much longer at one hour than at another is the course of the day (spread of the logarithm). */
const COURSE = 0.12;
/** Shares below this differ by chance and by the hour; the second is their spread. */
const LEAST_SHARE = 0.005;
const SHARE_SPREAD = 0.005;

interface Block {
  starts: number[];
  buckets: UsualBucket[];
  attempts: number;
  failed: number;
  /** attempts that did not fail, and the mean logarithm of the medians of their five minutes, weighed by them */
  ended: number;
  centre: number;
}

/**
 * The part of a flow's first time in which nothing was wrong, as far as the flow alone can tell: five minutes that were
 * neither slower, nor failed or ran late more often, than its calmest tenth. Of a first day it is not known yet what
 * was trouble; without this, trouble of an hour would be learned as usual.
 *
 * @param starts of the five minutes that are known, in order
 * @returns some of them; all where nothing stands out
 */
export function calmPart(history: BucketHistory, starts: readonly number[]): number[] {
  const blocks = blocksOf(history, starts);
  const known = blocks.filter(({ ended }) => ended > 0);
  const base = calmest(known.map(({ centre }) => centre));
  if (base === undefined) return [...starts];
  const quick = known.filter(({ centre }) => centre <= base).flatMap(({ buckets }) => buckets);
  const spread = robustLogDuration(pool(quick))?.spread ?? 0;
  // The variance of a median is π / 2 times that of a mean (for normal errors).
  const tolerance = ({ ended }: Block) => Math.hypot(COURSE, Math.sqrt(Math.PI / 2 / ended) * spread);
  const isQuick = (block: Block) => block.ended === 0 || block.centre <= base + STRAINED_SPREADS * tolerance(block);
  const limitMs = Math.exp(base + STRAINED_SPREADS * Math.hypot(spread, COURSE));
  const late = new Map(blocks.map((block) => [block, lateIn(block, limitMs)]));
  const failsSeldom = seldom(blocks, ({ failed, attempts }) => [failed, attempts]);
  const isSeldomLate = seldom(blocks, (block) => [late.get(block) as number, block.ended]);
  const calm = blocks.filter((block) => isQuick(block) && failsSeldom(block) && isSeldomLate(block));
  // Slow at first and failing afterwards: no part was calm, and what was quick tells most.
  return (calm.length > 0 ? calm : blocks.filter(isQuick)).flatMap((block) => block.starts);
}

/** True for blocks whose share is no more than that of the calmest, beyond chance. */
function seldom(
  blocks: readonly Block[],
  casesIn: (block: Block) => [bad: number, n: number],
): (block: Block) => boolean {
  const shares = blocks
    .map(casesIn)
    .filter(([, n]) => n > 0)
    .map(([bad, n]) => bad / n);
  const usual = Math.min(0.99, Math.max(LEAST_SHARE, calmest(shares) ?? 0));
  return (block) => binomialZ(...casesIn(block), usual, SHARE_SPREAD) < STRAINED_SPREADS;
}

function calmest(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) * CALMEST)];
}

/** Neighbouring five minutes together, until there are enough attempts to compare. */
function blocksOf(history: BucketHistory, starts: readonly number[]): Block[] {
  const blocks: Block[] = [];
  let open: Pick<Block, 'starts' | 'buckets'> = { starts: [], buckets: [] };
  let attempts = 0;
  for (const start of starts) {
    const bucket = history(start);
    open.starts.push(start);
    // Nights and weeks without anybody are long.
    if (bucket && bucket.attempts > 0) open.buckets.push(bucket);
    attempts += bucket?.attempts ?? 0;
    if (attempts < FEWEST_IN_BLOCK) continue;
    blocks.push(blockOf(open));
    open = { starts: [], buckets: [] };
    attempts = 0;
  }
  const last = blocks.at(-1);
  if (open.starts.length === 0) return blocks;
  if (!last) return [blockOf(open)];
  blocks[blocks.length - 1] = blockOf({
    starts: [...last.starts, ...open.starts],
    buckets: [...last.buckets, ...open.buckets],
  });
  return blocks;
}

function blockOf({ starts, buckets }: Pick<Block, 'starts' | 'buckets'>): Block {
  const timed = buckets.filter(({ medianMs }) => medianMs > 0);
  const ended = sum(timed.map(({ attempts, failed }) => attempts - failed));
  return {
    starts,
    buckets,
    attempts: sum(buckets.map(({ attempts }) => attempts)),
    failed: sum(buckets.map(({ failed }) => failed)),
    ended,
    centre: sum(timed.map(({ attempts, failed, medianMs }) => (attempts - failed) * Math.log(medianMs))) / ended,
  };
}

function lateIn({ buckets }: Block, limitMs: number): number {
  let late = 0;
  for (const { durations } of buckets)
    forEachBucket(durations, (i, count) => (late += bucketMiddleMs(i) > limitMs ? count : 0));
  return late;
}

/** A plan cannot be read. `field` names where in it. */
export class UnreadablePlan extends Error {
  override name = 'UnreadablePlan';
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(`${field}: ${message}`);
  }
}

export interface PlanNode {
  type: string;
  /** table, index or function that it works on; '' for none */
  on: string;
  depth: number;
  estimatedRows: number;
  /** rows over all loops; null where the plan was not run (no ANALYZE) */
  rows: number | null;
  loops: number;
  /** own part of the plan, children taken off: milliseconds when it was run, else units of cost */
  own: number;
  share: number;
}

export const PLAN_FINDINGS = ['noJoinCondition', 'wrongEstimate', 'readsAll', 'spills'] as const;

export interface PlanFinding {
  kind: (typeof PLAN_FINDINGS)[number];
  /** place of the node in `nodes` */
  node: number;
  words: string;
}

export interface ReadPlan {
  nodes: PlanNode[];
  /** place of the node that takes most by itself */
  costliest: number;
  wasRun: boolean;
  /** milliseconds when it was run, else units of cost */
  total: number;
  findings: PlanFinding[];
}

/** An estimate so many times off leads the planner astray. Common practice, no source. */
const OFF_BY = 10;
const FEWEST_ROWS = 100;
/** A scan that throws away so many rows for each that it keeps wants an index. */
const THROWN_AWAY = 20;
/** Small tables are read whole, and rightly so. */
const LARGE_SCAN = 1_000;

interface Raw {
  'Node Type'?: unknown;
  'Relation Name'?: unknown;
  'Index Name'?: unknown;
  'Function Name'?: unknown;
  'Plan Rows'?: unknown;
  'Total Cost'?: unknown;
  'Actual Rows'?: unknown;
  'Actual Loops'?: unknown;
  'Actual Total Time'?: unknown;
  'Rows Removed by Filter'?: unknown;
  'Join Filter'?: unknown;
  'Index Cond'?: unknown;
  'Recheck Cond'?: unknown;
  'Cache Key'?: unknown;
  'TID Cond'?: unknown;
  Filter?: unknown;
  'Sort Method'?: unknown;
  'Sort Space Used'?: unknown;
  'Hash Batches'?: unknown;
  Plans?: unknown;
}

const numberIn = (raw: Raw, name: keyof Raw, fallback = 0): number =>
  typeof raw[name] === 'number' ? raw[name] : fallback;
const textIn = (raw: Raw, name: keyof Raw): string => (typeof raw[name] === 'string' ? raw[name] : '');
const count = (n: number) => Math.round(n).toLocaleString('en-GB');

/**
 * Reads PostgreSQL's `EXPLAIN (FORMAT JSON)`, with or without ANALYZE, and says in plain words what is wrong with it:
 * joins without a condition, estimates off by more than ten times, scans that read all to keep little, sorts and hashes
 * that do not fit memory, and the node that takes most by itself. Fields as PostgreSQL 15 documents them ("Using
 * EXPLAIN").
 *
 * @param text as psql prints it, headings and `+` signs at line ends allowed
 * @throws UnreadablePlan naming what is missing
 */
export function readPlan(text: string): ReadPlan {
  const root = rootOf(text);
  const wasRun = typeof root['Actual Total Time'] === 'number';
  const nodes: PlanNode[] = [];
  const findings: PlanFinding[] = [];
  const walk = (raw: Raw, depth: number): number => {
    const type = textIn(raw, 'Node Type');
    if (type === '')
      throw new UnreadablePlan(
        'Node Type',
        'missing in a node of the plan; send the whole output of EXPLAIN (FORMAT JSON)',
      );
    const loops = numberIn(raw, 'Actual Loops', 1);
    const place = nodes.length;
    const node: PlanNode = {
      type,
      on: textIn(raw, 'Relation Name') || textIn(raw, 'Index Name') || textIn(raw, 'Function Name'),
      depth,
      estimatedRows: numberIn(raw, 'Plan Rows'),
      rows: wasRun ? numberIn(raw, 'Actual Rows') * loops : null,
      loops,
      own: 0,
      share: 0,
    };
    nodes.push(node);
    const children = childrenOf(raw);
    findings.push(...findingsOf(raw, node, place, children));
    const whole = wasRun ? numberIn(raw, 'Actual Total Time') * loops : numberIn(raw, 'Total Cost');
    const below = children.reduce((sum, child) => sum + walk(child, depth + 1), 0);
    node.own = Math.max(0, whole - below);
    return whole;
  };
  const total = walk(root, 0);
  for (const node of nodes) node.share = total > 0 ? node.own / total : 0;
  const costliest = nodes.reduce((most, node, i) => (node.own > (nodes[most] as PlanNode).own ? i : most), 0);
  return { nodes, costliest, wasRun, total, findings };
}

function rootOf(text: string): Raw {
  const from = text.search(/[[{]/);
  const to = Math.max(text.lastIndexOf(']'), text.lastIndexOf('}'));
  if (from < 0 || to < from)
    throw new UnreadablePlan('plan', 'no JSON in it; run EXPLAIN (ANALYZE, FORMAT JSON) and send its whole output');
  let parsed: unknown;
  try {
    // psql ends each line of a wide cell with a plus sign.
    parsed = JSON.parse(text.slice(from, to + 1).replace(/\s*\+\s*$/gm, ''));
  } catch (error) {
    throw new UnreadablePlan('plan', `not JSON: ${(error as Error).message}`);
  }
  const first: unknown = Array.isArray(parsed) ? parsed[0] : parsed;
  const plan = first !== null && typeof first === 'object' ? (first as { Plan?: unknown }).Plan : undefined;
  if (plan === null || typeof plan !== 'object')
    throw new UnreadablePlan('Plan', 'missing; send the output of EXPLAIN (FORMAT JSON) as it is');
  return plan;
}

const childrenOf = ({ Plans }: Raw): Raw[] => (Array.isArray(Plans) ? (Plans as Raw[]) : []);

function findingsOf(raw: Raw, node: PlanNode, place: number, children: readonly Raw[]): PlanFinding[] {
  const found: PlanFinding[] = [];
  const tell = (kind: PlanFinding['kind'], words: string) => found.push({ kind, node: place, words });
  if (
    node.type === 'Nested Loop' &&
    raw['Join Filter'] === undefined &&
    children.length === 2 &&
    !isTiedToOuter(children[1] as Raw)
  ) {
    const sides = children.map((child) => tableBelow(child) || 'a subquery');
    tell(
      'noJoinCondition',
      `${sides.join(' and ')} are joined without a condition: each row of one meets each of the other${node.rows === null ? '' : `, ${count(node.rows)} rows`}.`,
    );
  }
  if (node.rows !== null && node.loops > 0) {
    const actual = node.rows / node.loops;
    const [low, high] = [Math.max(1, Math.min(actual, node.estimatedRows)), Math.max(actual, node.estimatedRows)];
    if (high >= FEWEST_ROWS && high / low > OFF_BY)
      tell(
        'wrongEstimate',
        `${nameOf(node)} was expected to give ${count(node.estimatedRows)} rows and gave ${count(actual)}: ${count(high / low)} times off. Statistics may be old, or columns depend on each other.`,
      );
  }
  const removed = numberIn(raw, 'Rows Removed by Filter');
  if (
    node.type === 'Seq Scan' &&
    removed >= LARGE_SCAN &&
    removed > THROWN_AWAY * Math.max(1, (node.rows ?? 0) / node.loops)
  )
    tell(
      'readsAll',
      `${node.on} is read from end to end: ${count(removed)} rows are thrown away to keep ${count((node.rows ?? 0) / node.loops)}${node.loops > 1 ? `, ${count(node.loops)} times over` : ''}. No index serves ${textIn(raw, 'Filter') || 'its condition'}.`,
    );
  if (textIn(raw, 'Sort Method').startsWith('external'))
    tell('spills', `A sort does not fit memory: ${count(numberIn(raw, 'Sort Space Used'))} kB go through files.`);
  if (numberIn(raw, 'Hash Batches', 1) > 1)
    tell('spills', `A hash table does not fit memory: it is made in ${numberIn(raw, 'Hash Batches')} parts.`);
  return found;
}

/** Does the inner side of a nested loop look up rows for each outer one? */
function isTiedToOuter(inner: Raw): boolean {
  if (
    inner['Index Cond'] !== undefined ||
    inner['Recheck Cond'] !== undefined ||
    inner['Cache Key'] !== undefined ||
    inner['TID Cond'] !== undefined
  )
    return true;
  return childrenOf(inner).some(isTiedToOuter);
}

const tableBelow = (raw: Raw): string =>
  textIn(raw, 'Relation Name') || (childrenOf(raw).map(tableBelow).find(Boolean) ?? '');

const nameOf = ({ type, on }: PlanNode) => (on ? `${type} on ${on}` : type);

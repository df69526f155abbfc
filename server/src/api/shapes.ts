import type { BillLineName, Priority, Ranking, Trend } from '@toplens/core/incidents';
import type { Basis, ChangedMeasure, Level, Signal } from '@toplens/core/normal';
import type { Outcome } from '@toplens/core/flows';
import type { FigureName, FigureVerdict } from '@toplens/core/hosts';
import type { Dimension } from '@toplens/core/telemetry';
import type { Layer } from '@toplens/core/traces';

/** What the API answers. The OpenAPI description says the same; a test holds both together. */

export interface IntervalShape {
  estimate: number;
  low: number;
  high: number;
}

export interface WindowShape {
  fromMs: number;
  toMs: number;
}

/** Points of one measure beside what is usual; null where nothing is known or nothing came. */
export interface SeriesShape {
  startMs: number;
  stepMs: number;
  values: (number | null)[];
  low: (number | null)[];
  high: (number | null)[];
  /** the same measure in the window that is compared with */
  other: (number | null)[] | null;
}

export interface ChartShape {
  name: 'duration' | 'failures' | 'attempts';
  flow: string;
  series: SeriesShape;
  comparedWith: string | null;
}

export interface MarkShape {
  atMs: number;
  words: string;
}

export interface HandoffMark {
  id: string;
  team: string;
  state: string;
}

export interface RowShape {
  id: number;
  rank: number;
  /** places gained since ten minutes before (positive: worse now); null when it was not there */
  moved: number | null;
  title: string;
  application: string;
  flows: string[];
  signal: Signal;
  level: Level;
  priority: Priority;
  onsetMs: number;
  endMs: number;
  /** went on at the end of the window */
  activeAtEnd: boolean;
  /** goes on now, whatever window is looked at */
  inTroubleNow: boolean;
  trend: Trend;
  outcomes: Record<Outcome, number>;
  missingAttempts: number;
  harmPerHour: number;
  harm: IntervalShape;
  people: IntervalShape;
  money: number;
  keyCustomers: number;
  /** what the row weighs under the chosen ranking, in its unit */
  weight: number;
  /** best and worst rank by harm while each rate is halved and doubled */
  best: number;
  worst: number;
  /** its range overlaps with a neighbour's */
  nearTie: boolean;
  spark: SeriesShape;
  proposedTeam: string | null;
  handoff: HandoffMark | null;
}

export interface OddShape {
  id: number;
  title: string;
  application: string;
  onsetMs: number;
  inTroubleNow: boolean;
  mayBecome: string;
}

export interface SetAsideShape {
  id: number;
  title: string;
  reason: string;
  by: string;
  untilMs: number;
}

export interface ComparedShape extends WindowShape {
  words: string;
  harmPerHour: number;
  people: number;
  incidents: number;
  /** data reaches back so far */
  isKnown: boolean;
}

/** What a focus leaves; null when nothing is narrowed, or the window is long. */
export type RemainingShape = { sessions: number; attempts: number } | null;

export interface WorstFirstShape {
  window: WindowShape;
  ranking: Ranking;
  headline: string;
  detail: string;
  currency: string;
  rows: RowShape[];
  odd: OddShape[];
  setAside: SetAsideShape[];
  compared: ComparedShape | null;
  remaining: RemainingShape;
  /** end of the last incident before the window, when nothing is wrong */
  lastEndedMs: number | null;
  applications: string[];
  teams: string[];
  flows: { id: number; name: string; application: string }[];
  dimensions: { dimension: Dimension; values: string[] }[];
  freshness: FreshnessShape;
}

export interface FreshnessShape {
  /** up to when data is complete; null before the first data */
  watermarkMs: number | null;
  judgedMs: number | null;
  /** sources silent for longer than usual */
  silent: { application: string; sinceMs: number }[];
}

export interface ChangeShape {
  kind: 'flow' | 'component';
  name: string;
  id: number | null;
  measure: ChangedMeasure;
  /** the last five minutes against the hour before; null where there was nothing before */
  ratio: number | null;
  words: string;
}

export interface BillLineShape {
  name: BillLineName;
  quantity: IntervalShape;
  rate: number;
  harm: IntervalShape;
}

export interface PartShape {
  flowId: number;
  flow: string;
  technicalName: string;
  signal: Signal;
  level: Level;
  onsetMs: number;
  endMs: number;
  active: boolean;
  basis: Basis;
  limitMs: number | null;
  limitBy: 'owner' | 'learned' | 'none';
  learnedLimitMs: number | null;
  expectedMs: number | null;
}

export interface SegmentShape {
  dimension: Dimension;
  value: string;
  all: number;
  bad: number;
  people: number;
  shareOfBad: number;
  shareOfAll: number;
  /** null: nothing went wrong elsewhere */
  relativeRisk: number | null;
  low: number;
  high: number | null;
  excess: number;
  words: string;
}

export interface BitesShape {
  segments: SegmentShape[];
  spared: SegmentShape[];
  ruledOut: { dimension: Dimension; why: 'oneValue' | 'noDifference'; value: string | null }[];
  bad: number;
  all: number;
}

export interface SampleShape {
  atMs: number;
  durationMs: number;
  outcome: Outcome;
  failure: string;
  traceId: string;
  spanId: string;
  person: string;
  component: string;
}

export interface IncidentShape {
  id: number;
  window: WindowShape;
  title: string;
  sentence: string;
  application: string;
  signal: Signal;
  level: Level;
  priority: Priority;
  trend: Trend;
  onsetMs: number;
  endMs: number;
  activeAtEnd: boolean;
  inTroubleNow: boolean;
  currency: string;
  parts: PartShape[];
  bill: BillLineShape[];
  /** of the money, what promises are expected to cost */
  penalties: number;
  harm: IntervalShape;
  harmPerHour: number;
  /** null when it does not count in the rank */
  rank: number | null;
  best: number | null;
  worst: number | null;
  nearTie: boolean;
  people: IntervalShape;
  keyPeople: number;
  outcomes: Record<Outcome, number>;
  charts: ChartShape[];
  marks: MarkShape[];
  bites: BitesShape;
  samples: SampleShape[];
  component: { name: string; words: string } | null;
  /** null where no attempt came whose trace could tell */
  origin: OriginShape | null;
  proposedTeam: { team: string; reason: string } | null;
  teams: string[];
  remaining: RemainingShape;
  setAside: { reason: string; by: string; untilMs: number } | null;
  joined: { id: number; title: string }[];
  /** incidents of about the same time, which might be one with it */
  nearby: { id: number; title: string }[];
  decisions: { at: string; who: string; what: string; detail: string }[];
}

export interface FlowRowShape {
  id: number;
  name: string;
  technicalName: string;
  application: string;
  background: boolean;
  team: string | null;
  level: Level | 'noData';
  attempts: number;
  perMinute: number;
  meanMs: number | null;
  medianMs: number | null;
  p95Ms: number | null;
  maxMs: number | null;
  failedShare: number | null;
  apdex: number | null;
  apdexWords: string | null;
  limitMs: number | null;
  limitBy: 'owner' | 'learned' | 'none';
  /** null where long windows are told from roll-ups */
  people: number | null;
  hurt: number | null;
  shareOfTime: number | null;
  importance: number;
  before: { attempts: number; medianMs: number | null; failedShare: number } | null;
  spark: SeriesShape;
}

export interface FlowTableShape {
  window: WindowShape;
  rows: FlowRowShape[];
  attempts: number;
  comparedWith: string | null;
  remaining: RemainingShape;
  applications: string[];
  freshness: FreshnessShape;
}

export interface SideShape {
  value: string;
  attempts: number;
  badShare: number;
  medianMs: number | null;
  p95Ms: number | null;
  /** chance that an attempt here is slower than one of all; 0.5 is the norm */
  ridit: number | null;
  riditError: number | null;
  isOdd: boolean;
}

export interface FlowPageShape {
  window: WindowShape;
  /** the window asked for is longer than single attempts are walked: its last day is shown */
  isCut: boolean;
  row: FlowRowShape;
  /** key of its settings */
  key: string;
  team: { team: string; reason: string } | null;
  normal: {
    basis: Basis;
    samples: number;
    days: number;
    expectedMs: number | null;
    learnedLimitMs: number | null;
    ownersLimitMs: number | null;
    limitMs: number | null;
    limitBy: 'owner' | 'learned' | 'none';
    lateShare: number;
    failedShare: number;
    /** limits of single sites, and how often they are exceeded as usual */
    sites: { site: string; limitMs: number; lateShare: number }[];
  };
  /** sites that ever came, and those with a limit of their own already: what limits can be set for */
  sites: string[];
  /** limits of single sites as set, also of sites that have not come yet */
  ownersSiteLimits: { site: string; limitMs: number }[];
  /** what its attempts ask of stores, and in how many attempts that was looked at */
  statements: { attempts: number; statements: StatementShape[] };
  apdexAtOwners: string | null;
  apdexAtLearned: string | null;
  outcomes: { startMs: number; stepMs: number } & Record<Outcome, number[]>;
  /** from -1: the failed ones, whatever they took; to null: and longer */
  bands: { fromMs: number; toMs: number | null; attempts: number }[];
  charts: ChartShape[];
  marks: MarkShape[];
  sides: { dimension: Dimension; sides: SideShape[] }[];
  slowest: SampleShape[];
  incidents: { id: number; onsetMs: number; endMs: number; inTroubleNow: boolean }[];
  changes: { id: number; atMs: number; fromMs: number; who: string; words: string; undoes: number | null }[];
}

export interface RatesShape {
  waiting: number;
  failed: number;
  left: number;
  missing: number;
  money: number;
  keyMultiplier: number;
}

export interface SettingsShape {
  currency: string;
  rates: RatesShape;
  keyTiers: string[];
  calendar: { holidays: string[]; excluded: { fromMs: number; toMs: number; reason: string }[] };
  /** newest first */
  changes: { id: number; atMs: number; fromMs: number; who: string; key: string; about: string; words: string; undoes: number | null; isUndone: boolean }[];
}

/** One shape of statement that a flow's attempts send to a store. */
export interface StatementShape {
  statement: string;
  component: string;
  /** in the attempts looked at */
  calls: number;
  callsAnAttempt: number;
  /** attempts that send it at all */
  shareOfAttempts: number;
  /** of the attempts' whole time; parallel calls add up */
  shareOfTime: number;
  totalMs: number;
  longestMs: number;
  failed: number;
}

export interface AttemptRowShape {
  id: string;
  name: string;
  component: string;
  host: string;
  peer: string;
  statement: string;
  /** '' when it did not fail */
  failure: string;
  depth: number;
  /** microseconds from the attempt's begin */
  fromUs: number;
  durationUs: number;
  /** begin and end, in turn, of the parts in which nothing below it runs, microseconds from the attempt's begin */
  own: number[];
  ownUs: number;
  /** of the attempt, parallel work shared evenly: all rows add up to it */
  shareUs: number;
  calls: number;
  callsUs: number;
  callsSumUs: number;
  /** the row that stands for this call and others alike; '' for others */
  foldedInto: string;
  isMissing: boolean;
  runsOn: boolean;
}

export interface AttemptPageShape {
  traceId: string;
  spanId: string;
  flow: { id: number; name: string; technicalName: string; application: string };
  atMs: number;
  durationMs: number;
  outcome: Outcome;
  limitMs: number | null;
  limitBy: 'owner' | 'learned' | 'none';
  expectedMs: number | null;
  failure: string;
  /** masked */
  person: string;
  values: { dimension: Dimension; value: string }[];
  value: number | null;
  currency: string;
  /** what failed, the one that tells most first */
  failures: {
    spanId: string;
    component: string;
    type: string;
    message: string;
    className: string;
    method: string;
    file: string;
    line: number;
    stack: string;
  }[];
  components: { component: string; shareUs: number; share: number; spans: number; failed: number; usualUs: number | null }[];
  rows: AttemptRowShape[];
  /** hosts whose clocks were put right, microseconds added */
  clocks: { host: string; offsetUs: number }[];
  /** spans that others name as their parent but that never came */
  missing: number;
  /** an attempt of the same flow that took as long as usual */
  usual: { traceId: string; spanId: string; atMs: number; durationMs: number } | null;
  /** further attempts of the same trace */
  /** lines of logs that belong to its trace, in order of time */
  lines: LogLineShape[];
  others: { spanId: string; name: string; durationMs: number }[];
}

export interface OriginShape {
  /** likeliest first */
  candidates: { component: string; score: number; reasons: string[]; team: string | null }[];
  /** what was changed on the affected paths shortly before */
  changes: string[];
  /** a second origin at the same time */
  second: string | null;
  /** share of known worlds in which a candidate as far ahead as the first was right */
  trust: number | null;
  /** components on the affected paths, from the top down */
  rungs: { component: string; depth: number; usualUs: number; nowUs: number; failing: number; onsetMs: number | null; isSilent: boolean }[];
  bad: number;
  usual: number;
  /** other flows that reach the first candidate, and how they are in the window */
  shared: { id: number; name: string; application: string; level: Level | 'noData' }[];
}

/** A figure of a host (component '') or of a component on it, minute by minute. */
export interface HostFigureShape {
  figure: FigureName;
  host: string;
  component: string;
  verdict: FigureVerdict;
  /** in the figure's unit: shares from 0 to 1, milliseconds, bytes a second, counts */
  usual: number | null;
  now: number | null;
  highest: number | null;
  points: { atMs: number; value: number }[];
}

/** What was looked at of hosts, processes and runtimes, and what was as usual: ruled out or left over. */
export interface HostsShape {
  now: WindowShape;
  before: WindowShape;
  /** a line a figure, what is left over first */
  lines: { figure: FigureName; words: string; isLeftOver: boolean; looked: number; odd: HostFigureShape[] }[];
  restarts: { component: string; host: string; atMs: number }[];
  advice: { words: string; evidence: string }[];
  /** figures of which too little was told */
  unknown: number;
}

/** Lines of logs that say the same, but for their values. */
export interface LogPatternShape {
  text: string;
  now: number;
  before: number;
  /** a minute */
  nowRate: number;
  usualRate: number;
  isNew: boolean;
  /** worst of its lines, in a word; '' when not told */
  severity: string;
  firstMs: number | null;
  components: string[];
  samples: LogLineShape[];
}

export interface LogLineShape {
  atMs: number;
  component: string;
  host: string;
  severity: string;
  body: string;
  /** the attempt that it belongs to, if its spans are stored */
  traceId: string | null;
  spanId: string | null;
}

export interface LogPatternsShape {
  components: string[];
  now: WindowShape;
  before: WindowShape;
  surging: LogPatternShape[];
  rare: LogPatternShape[];
  gone: LogPatternShape[];
  usual: LogPatternShape[];
  linesNow: number;
  linesBefore: number;
  /** share of the lines that were read: counts are of these */
  kept: number;
}

/** A flow's attempts by when they began and how long they took. */
export interface FieldShape {
  window: WindowShape;
  attempts: number;
  limitMs: number | null;
  startMs: number;
  stepMs: number;
  columns: number;
  /** lower bounds of the rows, shortest first */
  floorsMs: number[];
  /** by column, then row */
  counts: number[][];
  bad: number[][];
}

/** Attempts of a part of the field, worst first. */
export interface RegionShape {
  window: WindowShape;
  attempts: number;
  bad: number;
  samples: SampleShape[];
}

/** Calls from one component to another, in a sample of traces. */
export interface HopShape {
  /** '' for what begins a trace */
  from: string;
  to: string;
  calls: number;
  failed: number;
  meanMs: number;
  longestMs: number;
  traces: number;
  shareOfTraces: number;
  /** steps below the begin, mean */
  depth: number;
}

/** The components that a flow goes through. */
export interface PathShape {
  window: WindowShape;
  /** traces that were looked at */
  traces: number;
  hops: HopShape[];
  /** mean time of an attempt by layer, milliseconds, step by step; 0 where no attempt was looked at */
  layers: { startMs: number; stepMs: number; attempts: number[]; means: { layer: Layer; ms: number[] }[] };
}

export interface ComponentShape {
  name: string;
  window: WindowShape;
  /** what is usual of its hosts is learned from here */
  before: WindowShape;
  team: string | null;
  /** traces that were looked at, and all that went through it */
  traces: number;
  attempts: number;
  callers: HopShape[];
  callees: HopShape[];
  hosts: string[];
  figures: { figure: FigureName; hosts: HostFigureShape[] }[];
  flows: { id: number; name: string; application: string; level: Level | 'noData' }[];
  incidents: { id: number; title: string; onsetMs: number; inTroubleNow: boolean }[];
  /** of the last day, newest first */
  changes: { atMs: number; words: string }[];
}

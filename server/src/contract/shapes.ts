import type { BillLineName, Fate, Priority, Ranking, Trend } from '@toplens/core/incidents';
import type { PartKind, PartLevel } from '@toplens/core/estate';
import type { Basis, ChangedMeasure, Level, Signal } from '@toplens/core/normal';
import type { Outcome } from '@toplens/core/flows';
import type { FigureName, FigureVerdict } from '@toplens/core/hosts';
import type { MoneyFigure, MoneyVerdict } from '@toplens/core/money';
import type { Rating, ViewKind, Vital, PageDimension } from '@toplens/core/pages';
import type { AttemptKind, Dimension } from '@toplens/core/telemetry';
import type { Layer } from '@toplens/core/traces';
import type { HealthPart } from './health-parts';

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
  /** some flow carries an agreement with a penalty */
  hasPromises: boolean;
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
  kind: AttemptKind;
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
  flow: { id: number; name: string; technicalName: string; application: string; kind: AttemptKind };
  atMs: number;
  durationMs: number;
  /** from where it began, in a browser or on a phone where that is told: what the rows are laid out in */
  wholeMs: number;
  /** the person's own device; '' where it is not told */
  device: string;
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

/** A person whom an incident hurt, without a name. */
export interface HurtPersonShape {
  /** a pseudonym: tells persons apart, not who they are */
  person: string;
  tier: string;
  site: string;
  region: string;
  promotion: string;
  flow: string;
  late: number;
  hung: number;
  failed: number;
  waitedMs: number;
  lastMs: number;
  fate: Fate;
  lost: number;
}

/** The people whom an incident hurt, worst off first. */
export interface HurtShape {
  window: WindowShape;
  currency: string;
  total: number;
  gone: number;
  lost: number;
  people: HurtPersonShape[];
  concentration: { dimension: 'tier' | 'promotion' | 'site' | 'region' | 'item'; values: { value: string; people: number }[] }[];
}

/** Money that an incident cost so far, and that of each tier by itself. */
export interface LostByTierShape {
  currency: string;
  whole: IntervalShape;
  tiers: { tier: string; money: IntervalShape; people: IntervalShape }[];
}

export interface PersonAttemptShape {
  kind: AttemptKind;
  atMs: number;
  durationMs: number;
  flow: number;
  name: string;
  application: string;
  outcome: Outcome;
  expectedMs: number | null;
  /** a number that tells sessions apart; 0 where none is told */
  session: number;
  isProbe: boolean;
  site: string;
  region: string;
  tier: string;
  version: string;
  value: number | null;
  failure: string;
  /** '' where the attempt is not kept any more */
  traceId: string;
  spanId: string;
}

/** A page that a person looked at. */
export interface PersonViewShape extends ListedLoadShape {
  session: number;
  system: string;
}

export interface PersonShape {
  person: string;
  window: WindowShape;
  attempts: PersonAttemptShape[];
  views: PersonViewShape[];
}

/** A step of a journey in a window: who came, and what became of them. */
export interface JourneyStepShape {
  flow: number;
  name: string;
  /** people, or sessions where nobody is named */
  people: number;
  /** sessions that came = went on + still there + left */
  sessions: number;
  wentOn: number;
  undecided: number;
  left: number;
  /** sessions that met late, hung or failed attempts here, and how many usually do */
  exposed: number;
  usuallyExposed: number;
  /** of those who left: because of that, beyond the usual */
  beyondUsual: IntervalShape;
  /** what they would have brought, units of currency */
  lost: IntervalShape;
  usualLeaving: number | null;
  attributable: number | null;
  /** the excess is more than chance */
  isBad: boolean;
  medianMs: number | null;
  failedShare: number | null;
  /** incidents that this step is a part of */
  incidents: number[];
}

export interface JourneyShape {
  /** numbers of its flows, first step first */
  id: string;
  /** of its name, as a setting */
  key: string;
  window: WindowShape;
  name: string;
  isNamed: boolean;
  application: string;
  currency: string;
  /** every so manieth session was looked at; counts are of all */
  every: number;
  setOut: number;
  completed: number;
  value: number;
  valueEach: number | null;
  /** people who left beyond the usual at bad steps, and what they would have brought */
  beyondUsual: number;
  lost: number;
  steps: JourneyStepShape[];
  /** upstream first: what mending each bad step brings */
  repairs: { step: number; flow: number; comeBack: number; hidden: number; completions: number; value: number }[];
}

export interface JourneysShape {
  window: WindowShape;
  journeys: JourneyShape[];
}

/** A figure of money against the same hours of like days; null where it cannot be told. */
export interface MoneyFigureShape {
  value: number | null;
  expected: number | null;
  /** range in which 95 of 100 like days lie */
  low: number | null;
  high: number | null;
  verdict: MoneyVerdict;
}

/** What a flow with values, or business events of one name, brought. */
export interface TakingsShape extends Record<MoneyFigure, MoneyFigureShape> {
  flow: number;
  kind: AttemptKind;
  name: string;
  application: string;
  /** the step that its way begins with; null when no way is known */
  start: string | null;
  /** like days that it is compared with */
  days: number;
  /** value missing to what was expected; zero while it is as usual */
  lost: IntervalShape;
}

export interface MoneyShape {
  window: WindowShape;
  currency: string;
  /** the view is narrowed by what roll-ups do not tell apart: these figures are of all */
  isNarrowed: boolean;
  flows: TakingsShape[];
}

/** What else a store was asked while one of its statements ran. */
export interface BesideShape {
  component: string;
  durationMs: number;
  others: { statement: string; calls: number; overlapMs: number; longestMs: number }[];
}

/** Something that runs: what it did in the last five minutes against the hour before. */
export interface RunningPartShape {
  kind: PartKind;
  component: string;
  /** '' for stores and outside services */
  host: string;
  /** '' where nothing tells it */
  application: string;
  region: string;
  team: string;
  version: string;
  level: PartLevel;
  /** mean duration of the last five minutes against the hour before; null when either is not known */
  slowness: number | null;
  attemptsPerMinute: number;
  usualPerMinute: number;
  failing: number | null;
  /** what changed suddenly, in words */
  changes: string[];
  /** figures of its host or process that are not as in the hour before, in words */
  figures: string[];
}

export interface EstateShape {
  /** the five minutes */
  window: WindowShape;
  /** the hour before */
  before: WindowShape;
  parts: RunningPartShape[];
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

export interface VitalShape {
  p75: number;
  rating: Rating;
  views: number;
}

/** Page loads with one value in common. */
export interface PageGroupShape {
  name: string;
  views: number;
  people: number;
  loads: number;
  /** mean of each part of a load, milliseconds, in the order of the core's PARTS */
  parts: number[];
  meanMs: number | null;
  medianMs: number | null;
  /** waited for by all together */
  weightMs: number;
  shareOfWeight: number;
  vitals: Record<Vital, VitalShape | null>;
  interactions: number;
  errors: number;
  shareWithErrors: number;
  /** of views on which something did not come */
  shareMissing: number;
}

/** Is it only here, or everywhere? */
export interface PageWhereShape {
  what: 'slow' | 'missing' | 'errors';
  dimension: PageDimension;
  verdict: 'here' | 'more' | 'everywhere';
  hit: { name: string; views: number; here: number; elsewhere: number }[];
}

export interface ResourceHostShape {
  host: string;
  isThirdParty: boolean;
  resources: number;
  missing: number;
  meanMs: number;
  bytes: number;
}

/** One load as it is listed. */
export interface ListedLoadShape {
  /** 16 hexadecimal digits */
  view: string;
  atMs: number;
  page: string;
  country: string;
  browser: string;
  loadMs: number | null;
  lcpMs: number | null;
  errors: number;
  missing: number;
}

export interface PageLoadsShape {
  window: WindowShape;
  by: PageDimension;
  /** share of the views that was read */
  kept: number;
  kinds: { load: number; route: number; frame: number };
  all: PageGroupShape | null;
  groups: PageGroupShape[];
  /** pages within pages, by page */
  frames: PageGroupShape[];
  /** number of the flow that loads of the page are attempts of; null when it is not one page, or none of it was judged */
  flow: number | null;
  trend: { startMs: number; stepMs: number; vitals: Record<Vital, (number | null)[]> };
  where: PageWhereShape[];
  hosts: ResourceHostShape[];
  calls: { call: string; calls: number; failed: number; medianMs: number; p95Ms: number }[];
  worst: ListedLoadShape[];
}

export interface FrameShape {
  file: string;
  line: number;
  column: number;
  method: string;
}

export interface ScriptErrorGroupShape {
  type: string;
  message: string;
  errors: number;
  views: number;
  people: number;
  firstMs: number;
  lastMs: number;
  pages: string[];
  versions: string[];
  browsers: string[];
  component: string;
  frames: FrameShape[];
  /** frames are read through an uploaded source map */
  isMapped: boolean;
  sampleView: string;
}

export interface ScriptErrorsShape {
  window: WindowShape;
  /** all views of the window, to compare with */
  views: number;
  /** there were more errors: the newest are told */
  isCut: boolean;
  groups: ScriptErrorGroupShape[];
}

export interface LoadedResourceShape {
  url: string;
  host: string;
  type: string;
  startMs: number;
  durationMs: number;
  bytes: number;
  missing: boolean;
  isThirdParty: boolean;
  /** the server's attempt that a call led to; null when it led to none that is known */
  attempt: { traceId: string; spanId: string } | null;
}

/** One view of one page, with all that it fetched. */
export interface PageLoadShape extends ListedLoadShape {
  kind: ViewKind;
  path: string;
  host: string;
  component: string;
  application: string;
  version: string;
  system: string;
  connection: string;
  tier: string;
  parts: number[] | null;
  vitals: Record<Vital, number | null>;
  interactions: number;
  resources: LoadedResourceShape[];
  moreResources: number;
  scriptErrors: { atMs: number; type: string; message: string; frames: FrameShape[]; isMapped: boolean }[];
  attempt: { traceId: string; spanId: string } | null;
}

export interface RefusedRecordsShape {
  total: number;
  records: { id: number; atMs: number; kind: string; sqlstate: string; reason: string; record: string }[];
  /** there are older ones */
  more: boolean;
}

export interface PartHealthShape {
  state: 'ok' | 'degraded' | 'down';
  sinceMs: number;
  words: string;
}

export interface ServerStateShape {
  state: PartHealthShape['state'];
  /** this server's clock */
  nowMs: number;
  parts: Record<HealthPart, PartHealthShape>;
  /** from where old stretches are being judged again; null when none are */
  judgedAgainFromMs: number | null;
  judgedMs: number | null;
  /** names put under "other" since the start, by kind */
  gatheredNames: { kind: string; names: number }[];
  clocks: { component: string; host: string; aheadMs: number; refused: number; sinceMs: number; lastMs: number }[];
}

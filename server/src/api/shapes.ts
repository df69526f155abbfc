import type { BillLineName, Ranking } from '@toplens/core/incidents';
import type { Basis, Level, Signal } from '@toplens/core/normal';
import type { Outcome } from '@toplens/core/flows';

/** What the API answers. The OpenAPI description says the same; a test holds both together. */

export interface IntervalShape {
  estimate: number;
  low: number;
  high: number;
}

/** Five-minute points of one measure beside what is usual; null where nothing is known or nothing came. */
export interface SeriesShape {
  startMs: number;
  stepMs: number;
  values: (number | null)[];
  low: (number | null)[];
  high: (number | null)[];
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
  onsetMs: number;
  endMs: number;
  inTroubleNow: boolean;
  trend: 'growing' | 'steady' | 'fading' | 'new' | 'over';
  outcomes: Record<Outcome, number>;
  missingAttempts: number;
  harmPerHour: number;
  harm: IntervalShape;
  people: IntervalShape;
  money: number;
  keyCustomers: number;
  /** what the row weighs under the chosen ranking, in its unit */
  weight: number;
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
}

export interface WorstFirstShape {
  window: { fromMs: number; toMs: number };
  ranking: Ranking;
  headline: string;
  detail: string;
  currency: string;
  rows: RowShape[];
  odd: OddShape[];
  /** end of the last incident before the window, when nothing is wrong */
  lastEndedMs: number | null;
  applications: string[];
  teams: string[];
  freshness: FreshnessShape;
}

export interface FreshnessShape {
  /** up to when data is complete; null before the first data */
  watermarkMs: number | null;
  judgedMs: number | null;
  /** sources silent for longer than usual */
  silent: { application: string; sinceMs: number }[];
}

export interface BillLineShape {
  name: BillLineName;
  quantity: IntervalShape;
  rate: number;
  harm: IntervalShape;
}

export interface PartShape {
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

export interface MostHitShape {
  dimension: string;
  value: string;
  bad: number;
  shareOfBad: number;
  shareOfAll: number;
  words: string;
}

export interface SampleShape {
  atMs: number;
  durationMs: number;
  outcome: Outcome;
  failure: string;
  traceId: string;
  person: string;
  component: string;
}

export interface IncidentShape {
  id: number;
  window: { fromMs: number; toMs: number };
  title: string;
  sentence: string;
  application: string;
  signal: Signal;
  level: Level;
  onsetMs: number;
  endMs: number;
  inTroubleNow: boolean;
  currency: string;
  parts: PartShape[];
  bill: BillLineShape[];
  harm: IntervalShape;
  harmPerHour: number;
  people: IntervalShape;
  keyPeople: number;
  outcomes: Record<Outcome, number>;
  charts: { name: 'duration' | 'failures' | 'attempts'; flow: string; series: SeriesShape }[];
  mostHit: MostHitShape[];
  samples: SampleShape[];
  component: { name: string; words: string } | null;
  proposedTeam: { team: string; reason: string } | null;
  teams: string[];
}

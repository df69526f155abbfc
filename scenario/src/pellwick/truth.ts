/** What really happened to somebody because of a planted trouble. */
export interface TruthEvent {
  trouble: number;
  atMs: number;
  person: string;
  flow: string;
  /** waited: minutes added; failed: no later try worked; missing: the attempt never came */
  kind: 'waited' | 'failed' | 'recovered' | 'missing';
  minutes: number;
}

export interface TruthFile {
  seed: number;
  nowMs: number;
  troubles: {
    number: number;
    name: string;
    flow: string;
    fromMs: number;
    toMs: number | null;
    origin: string;
    hurts: boolean;
  }[];
  events: TruthEvent[];
}

export interface TruthOf {
  people: number;
  minutesWaited: number;
  failed: number;
  /** attempts that never came, by flow */
  missing: Record<string, number>;
}

/** What a trouble did within a window. */
export function truthWithin(events: readonly TruthEvent[], trouble: number, fromMs: number, toMs: number): TruthOf {
  const inWindow = events.filter((event) => event.trouble === trouble && event.atMs >= fromMs && event.atMs < toMs);
  const missing: Record<string, number> = {};
  for (const event of inWindow) if (event.kind === 'missing') missing[event.flow] = (missing[event.flow] ?? 0) + 1;
  return {
    people: new Set(inWindow.map((event) => event.person)).size,
    minutesWaited: inWindow.reduce((sum, event) => sum + event.minutes, 0),
    failed: inWindow.filter((event) => event.kind === 'failed').length,
    missing,
  };
}

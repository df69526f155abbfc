import { MINUTE_MS } from '@toplens/core/time';

/** Trouble that the simulation plants; numbers as in the scenario's list. */
export interface Troubles {
  /** 1: a release of slots loses an index */
  slowSlots?: {
    fromMs: number;
    toMs: number;
    factor: number;
    worstSites: string[];
    worstFactor: number;
    leave: number;
  };
  /** 2: labels has no surcharge row for the new weight band with one promotion */
  failingLabels?: { fromMs: number; toMs: number; promotion: string };
  /** 3: a version of the drivers' application crashes on taking a photo on one device; the next one heals it */
  photoCrash?: { fromMs: number; healedFromMs: number; device: string; share: number };
  /** of photos of drivers on one carrier's network many do not arrive at once: they are tried again, and nobody waits */
  failingUploads?: { fromMs: number; toMs: number; carrier: string; share: number };
  /** 4: everything at one depot is slow, on the same servers as elsewhere: its line */
  slowLine?: { fromMs: number; toMs: number; site: string; factor: number };
  /** 5: the outside provider's map tiles do not come, or slowly, for senders of one country */
  emptyMaps?: { fromMs: number; toMs: number; region: string; share: number };
  /** 6: the card network times out now and then; of those who try again half succeed */
  cardTimeouts?: { fromMs: number; toMs: number; share: number };
  /** 7: partners' token renewal stops */
  silentPartners?: { fromMs: number; toMs: number };
  /** 8: one of two replicas of addresses dies; the other carries on */
  deadReplica?: { fromMs: number };
  /** the probe of one depot no longer reaches Shipper Link, which nobody there works with */
  blockedProbe?: { fromMs: number; toMs: number; site: string };
  /** the clock of one depot's probe is wrong */
  wrongClock?: { fromMs: number; toMs: number; site: string };
  /** an outage of payments in the quiet history */
  pastOutage?: { fromMs: number; toMs: number; share: number };
}

export const NEVER_ENDS = Number.MAX_SAFE_INTEGER;

/** The demo day: everything lies a little before `nowMs`, so that a visitor finds it going on. */
export function demoTroubles(nowMs: number): Troubles {
  const before = (minutes: number) => nowMs - minutes * MINUTE_MS;
  return {
    slowSlots: {
      fromMs: before(98),
      toMs: NEVER_ENDS,
      factor: 6,
      worstSites: ['Ostrel', 'Tarn Cross'],
      worstFactor: 9,
      leave: 0.3,
    },
    failingLabels: { fromMs: before(80), toMs: NEVER_ENDS, promotion: 'SPRING10' },
    photoCrash: { fromMs: before(240), healedFromMs: before(70), device: 'Tessel 5', share: 0.8 },
    failingUploads: { fromMs: before(190), toMs: NEVER_ENDS, carrier: 'Copperwave', share: 0.4 },
    slowLine: { fromMs: before(125), toMs: NEVER_ENDS, site: 'Brackwater', factor: 2.6 },
    emptyMaps: { fromMs: before(150), toMs: NEVER_ENDS, region: 'IE', share: 0.6 },
    cardTimeouts: { fromMs: before(55), toMs: NEVER_ENDS, share: 0.12 },
    silentPartners: { fromMs: before(36), toMs: before(25) },
    deadReplica: { fromMs: before(180) },
    blockedProbe: { fromMs: before(45), toMs: NEVER_ENDS, site: 'Dunsel' },
    wrongClock: { fromMs: before(200), toMs: NEVER_ENDS, site: 'Tarn Cross' },
    pastOutage: { fromMs: before(5 * 1440 + 240), toMs: before(5 * 1440 + 215), share: 0.6 },
  };
}

export const inside = (trouble: { fromMs: number; toMs: number } | undefined, timeMs: number): boolean =>
  trouble !== undefined && timeMs >= trouble.fromMs && timeMs < trouble.toMs;

/**
 * What people changed on the demo day, as CloudEvents 1.0: the release that lost the index, and what has nothing to do
 * with it.
 */
export function demoChanges(nowMs: number): object[] {
  const event = (
    id: string,
    type: string,
    { subject, minutesBefore, title, by }: { subject: string; minutesBefore: number; title: string; by: string },
  ) => ({
    specversion: '1.0',
    id,
    source: '/pellwick/delivery',
    type: `toplens.change.${type}`,
    subject,
    time: new Date(nowMs - minutesBefore * MINUTE_MS).toISOString(),
    datacontenttype: 'application/json',
    data: { title, by },
  });
  return [
    event(`slots-4.18.0-${nowMs}`, 'release', {
      subject: 'slots',
      minutesBefore: 101,
      title: '4.18.0',
      by: 'delivery line',
    }),
    event(`slots-418-${nowMs}`, 'commit', {
      subject: 'slots',
      minutesBefore: 131,
      title: 'slot search by round: drop index slots_round_day',
      by: 'slots team',
    }),
    event(`tracking-cache-${nowMs}`, 'setting', {
      subject: 'tracking',
      minutesBefore: 300,
      title: 'cache of events 60 s to 30 s',
      by: 'tracking team',
    }),
    event(`labels-flag-${nowMs}`, 'flag', {
      subject: 'labels',
      minutesBefore: 84,
      title: 'new weight band switched on',
      by: 'labels team',
    }),
  ];
}

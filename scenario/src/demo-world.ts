import { DAY_MS, HOUR_MS, MINUTE_MS, floorTo } from '@toplens/core/time';
import { Player } from './player';
import { demoChanges, demoTroubles, NEVER_ENDS } from './pellwick/troubles';
import type { TruthFile } from './pellwick/truth';

export const HISTORY_DAYS = 14;
export const DEMO_SEED = 20260311;
const LOCAL_HOUR_NOW = 11.5;

/**
 * The demo world, played from `fromMs` on, so that "now" is late morning at Pellwick, with the trouble of the day going
 * on.
 */
export function demoWorld(nowMs: number, seed = DEMO_SEED, fromMs = nowMs - HISTORY_DAYS * DAY_MS) {
  const troubles = demoTroubles(nowMs);
  const utcHours = (nowMs - floorTo(nowMs, DAY_MS)) / HOUR_MS;
  const player = new Player(
    {
      seed,
      troubles,
      localOffsetHours: LOCAL_HOUR_NOW - utcHours,
      // A day, and the hours that it is compared with.
      fullTracesFromMs: floorTo(nowMs - 27 * HOUR_MS, HOUR_MS),
      figuresFromMs: nowMs - 8 * HOUR_MS,
      viewsFromMs: nowMs - 6 * DAY_MS,
    },
    fromMs,
  );
  const truth = (): TruthFile => ({
    seed,
    nowMs,
    troubles: [
      {
        number: 1,
        name: 'slots lost an index',
        flow: 'slots',
        from: troubles.slowSlots,
        origin: 'parcels-db',
        hurts: true,
      },
      {
        number: 2,
        name: 'no surcharge row for the new weight band',
        flow: 'label',
        from: troubles.failingLabels,
        origin: 'labels',
        hurts: true,
      },
      {
        number: 3,
        name: 'Round 7.3.0 crashes when a photo is taken on one device',
        flow: 'photo',
        from: troubles.photoCrash && { fromMs: troubles.photoCrash.fromMs, toMs: NEVER_ENDS },
        origin: 'round-app',
        hurts: true,
      },
      {
        number: 5,
        name: 'map tiles do not come for one country',
        flow: 'slots',
        from: troubles.emptyMaps,
        origin: 'map-tiles',
        hurts: true,
      },
      {
        number: 6,
        name: 'the card network times out now and then',
        flow: 'pay',
        from: troubles.cardTimeouts,
        origin: 'card-network',
        hurts: true,
      },
      {
        number: 7,
        name: 'token renewal of the partners stopped',
        flow: 'partnerRate',
        from: troubles.silentPartners,
        origin: 'shipper-link',
        hurts: true,
      },
      {
        number: 8,
        name: 'one of two replicas died',
        flow: 'addresses',
        from: { fromMs: nowMs - 180 * MINUTE_MS, toMs: NEVER_ENDS },
        origin: 'addresses',
        hurts: false,
      },
      {
        number: 11,
        name: 'nightly rebuild of routes',
        flow: 'rebuildRoutes',
        from: { fromMs: nowMs - 10 * HOUR_MS, toMs: nowMs - 9 * HOUR_MS },
        origin: 'routes-builder',
        hurts: false,
      },
    ].map(({ from, ...trouble }) => ({
      ...trouble,
      fromMs: from?.fromMs ?? 0,
      toMs: from && from.toMs !== NEVER_ENDS ? from.toMs : null,
    })),
    events: player.truth,
  });
  return { player, truth, changes: demoChanges(nowMs) };
}

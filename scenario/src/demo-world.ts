import { DAY_MS, HOUR_MS, MINUTE_MS, floorTo, type Window } from '@toplens/core/time';
import { Player, type PlayOptions } from './player';
import { demoChanges, demoTroubles, NEVER_ENDS } from './pellwick/troubles';
import type { TruthFile } from './pellwick/truth';

export const HISTORY_DAYS = 14;
export const DEMO_SEED = 20260311;
const LOCAL_HOUR_NOW = 11.5;

/** A day, and the hours that it is compared with: told in whole traces. */
const WHOLE_TRACES_MS = 27 * HOUR_MS;
/** The morning so far, and the night before it. */
const MORNING_MS = 10 * HOUR_MS;

/** The demo world, so that "now" is late morning at Pellwick, with the trouble of the day going on. */
export function demoWorld(nowMs: number, seed = DEMO_SEED) {
  const troubles = demoTroubles(nowMs);
  const utcHours = (nowMs - floorTo(nowMs, DAY_MS)) / HOUR_MS;
  const options: PlayOptions = {
    seed,
    troubles,
    localOffsetHours: LOCAL_HOUR_NOW - utcHours,
    fullTracesFromMs: floorTo(nowMs - WHOLE_TRACES_MS, HOUR_MS),
    figuresFromMs: nowMs - 8 * HOUR_MS,
    viewsFromMs: nowMs - 6 * DAY_MS,
  };
  const players: Player[] = [];
  /** Plays what begins in a window; of what begins at its end on, nothing. */
  const play = (fromMs = nowMs - HISTORY_DAYS * DAY_MS, toMs?: number): Player => {
    const player = new Player(options, fromMs, toMs);
    players.push(player);
    return player;
  };
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
        number: 4,
        name: 'the line of one depot is slow',
        flow: 'Receive parcels',
        from: troubles.slowLine,
        origin: 'Brackwater',
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
    events: players.flatMap((player) => player.truth).sort((a, b) => a.atMs - b.atMs),
  });
  return { play, truth, changes: demoChanges(nowMs) };
}

/**
 * The two weeks before now in the order in which a visitor wants them: the morning, then hour by hour into the past, so
 * that what is known has no gap.
 */
export function newestFirst(nowMs: number): Window[] {
  const begin = nowMs - HISTORY_DAYS * DAY_MS;
  const marks = [nowMs, nowMs - MORNING_MS];
  for (let ms = floorTo(nowMs - MORNING_MS - 1, HOUR_MS); ms > begin; ms -= HOUR_MS) marks.push(ms);
  return [...marks, begin].slice(1).map((fromMs, i) => ({ fromMs, toMs: marks[i] as number }));
}

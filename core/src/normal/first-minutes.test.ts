import type { FlowBucket } from '../flows';
import { createHistogram, encodeHistogram, normalDeviate, recordInPlace, seededRandom } from '../stats';
import { dayKinds, HOUR_MS, MINUTE_MS } from '../time';
import { ATTENTION_MS, AT_ONCE_MS, learnNormal, type NormalSources } from './index';
import { calmPart } from './calm-part';

// Tuesday 10 March 2026, 10:00 UTC.
const SLOT = Date.UTC(2026, 2, 10, 10);
const BUCKET = 5 * MINUTE_MS;

interface Minutes {
  /** five minutes after the first */
  at: number;
  attempts: number;
  medianMs?: number;
  failed?: number;
  hung?: number;
}

/** A flow that began with the slot. */
function flow(minutes: readonly Minutes[], firstMs = SLOT) {
  const random = seededRandom(9);
  const buckets = new Map(
    minutes.map(({ at, attempts, medianMs = 300, failed = 0, hung = 0 }): [number, FlowBucket] => {
      const histogram = createHistogram();
      for (let i = 0; i < attempts - failed; i++)
        recordInPlace(histogram, i < hung ? 60_000 : medianMs * Math.exp(0.3 * normalDeviate(random)));
      const startMs = firstMs + at * BUCKET;
      const durations = encodeHistogram(histogram);
      return [startMs, { flow: 1, startMs, attempts, failed, durations, medianMs, valueMinor: 0 }];
    }),
  );
  return (startMs: number) => buckets.get(startMs);
}

const learn = (minutes: readonly Minutes[], more: Partial<NormalSources> = {}) =>
  learnNormal(flow(minutes), { firstMs: SLOT, slotMs: SLOT, ownersLimitMs: undefined, kinds: dayKinds(), ...more });

describe('what is usual in the first minutes', () => {
  test('before enough attempts have come, patience as published and a weak prior judge', () => {
    expect(learn([{ at: 0, attempts: 8 }])).toMatchObject({
      basis: 'published',
      limitBy: 'published',
      limitMs: ATTENTION_MS,
      learnedLimitMs: undefined,
      lateShare: expect.closeTo(0.01, 2) as number,
      failedShare: expect.closeTo(0.01, 2) as number,
    });
    // Nobody waits for a batch: how long it takes is not judged until it has shown its own.
    expect(learn([{ at: 0, attempts: 8 }], { isWaitedFor: false })).toMatchObject({
      limitMs: undefined,
      limitBy: 'none',
    });
  });

  test('what it was learned from is the calm part: trouble does not count among it', () => {
    const minutes = [
      { at: 0, attempts: 20 },
      { at: 1, attempts: 100, failed: 10 },
    ];
    expect(learn(minutes)).toMatchObject({ basis: 'published', samples: 20 });
  });

  test('before anything came nothing is judged', () => {
    expect(learn([])).toMatchObject({ basis: 'none', samples: 0 });
  });

  test('its own durations judge as soon as they are enough, with a doubt that shrinks', () => {
    const few = learn([{ at: 0, attempts: 40 }]);
    const many = learn([0, 1, 2, 3, 4].map((at) => ({ at, attempts: 400 })));
    expect(few).toMatchObject({ basis: 'firstMinutes', limitBy: 'learned' });
    for (const { limitMs } of [few, many]) {
      expect(limitMs).toBeGreaterThan(300 * Math.exp(3 * 0.3));
      expect(limitMs).toBeLessThan(300 * Math.exp(3 * 0.5));
    }
    expect(few.failedSpread).toBeGreaterThan(2 * many.failedSpread);
    expect(few.lateSpread).toBeGreaterThan(2 * many.lateSpread);
  });

  test('what is answered at once is never late, however quick it usually is', () => {
    expect(learn([{ at: 0, attempts: 200, medianMs: 12 }]).limitMs).toBe(AT_ONCE_MS);
    expect(learn([{ at: 0, attempts: 200, medianMs: 12 }], { atOnceMs: 250 }).limitMs).toBe(250);
    expect(learn([{ at: 0, attempts: 200, medianMs: 12 }], { atOnceMs: 0 }).limitMs).toBeLessThan(AT_ONCE_MS);
    expect(learn([{ at: 0, attempts: 200, medianMs: 12 }], { isWaitedFor: false }).limitMs).toBeLessThan(60);
  });

  test('the owner’s limit judges from the first attempt on, and is not usual to be missed by half', () => {
    expect(learn([{ at: 0, attempts: 5 }], { ownersLimitMs: 250 })).toMatchObject({
      basis: 'ownersLimit',
      limitMs: 250,
      limitBy: 'owner',
    });
    const normal = learn([{ at: 0, attempts: 400 }], { ownersLimitMs: 250 });
    expect(normal).toMatchObject({ basis: 'firstMinutes', limitMs: 250, limitBy: 'owner' });
    expect(normal.lateShare).toBeLessThanOrEqual(0.1);
  });

  test('what fails from the first minute on is not taken for usual', () => {
    const normal = learn([0, 1, 2].map((at) => ({ at, attempts: 100, failed: 40 })));
    expect(normal.failedShare).toBeLessThanOrEqual(0.1);
    expect(normal.expectedMs).toBeGreaterThan(250);
  });

  test('so many are expected as came in the whole five minutes before, once there were two of them', () => {
    const { volume } = learn([0, 1, 2, 3].map((at) => ({ at, attempts: 60 })));
    expect([...volume].slice(0, 2)).toEqual([NaN, NaN]);
    expect([...volume].slice(2, 4)).toEqual([60, 60]);
    // The five minutes in which the flow began are not known as a whole.
    const later = learn(
      [0, 1, 2, 3].map((at) => ({ at, attempts: 60 })),
      { firstMs: SLOT + 1 },
    );
    expect([...later.volume].slice(0, 4)).toEqual([NaN, NaN, NaN, 60]);
    // A nightly batch that is over is no outage.
    const batch = learn(
      [0, 1, 2, 3].map((at) => ({ at, attempts: 60 })),
      { isWaitedFor: false },
    );
    expect([...batch.volume].slice(0, 4)).toEqual([NaN, NaN, NaN, NaN]);
  });
});

describe('the calm part of a first day', () => {
  const hour = (trouble: Partial<Minutes>) =>
    Array.from({ length: 12 }, (_, at) => ({ at, attempts: 120, ...(at >= 2 ? trouble : {}) }));
  const starts = Array.from({ length: 12 }, (_, at) => SLOT + at * BUCKET);

  test.each([
    ['slowness', { medianMs: 1500 }],
    ['failing', { failed: 30 }],
    ['hanging of some', { hung: 20 }],
  ])('leaves out %s of fifty minutes that began after ten', (_what, trouble) => {
    expect(calmPart(flow(hour(trouble)), starts)).toEqual(starts.slice(0, 2));
    const { samples, failedShare, lateShare, expectedMs, limitMs } = learn(hour(trouble), {
      slotMs: SLOT + HOUR_MS,
      firstMs: SLOT,
    });
    expect(samples).toBe(240);
    expect(failedShare).toBeLessThan(0.02);
    expect(lateShare).toBeLessThan(0.02);
    expect(Math.abs((expectedMs as number) / 300 - 1)).toBeLessThan(0.1);
    expect(limitMs).toBeLessThan(300 * Math.exp(3 * 0.4));
  });

  test('keeps all where nothing stands out: chance and the course of a day do not', () => {
    const slowly = Array.from({ length: 12 }, (_, at) => ({ at, attempts: 120, medianMs: 300 * (1 + at / 60) }));
    expect(calmPart(flow(slowly), starts)).toEqual(starts);
    expect(calmPart(flow([{ at: 0, attempts: 3 }]), starts)).toEqual(starts);
    expect(calmPart(() => undefined, starts)).toEqual(starts);
  });

  test('slow at first and failing afterwards: what was quick tells most', () => {
    const both = Array.from({ length: 12 }, (_, at) =>
      at < 6 ? { at, attempts: 120, medianMs: 1500 } : { at, attempts: 120, failed: 50 },
    );
    expect(calmPart(flow(both), starts)).toEqual(starts.slice(6));
  });
});

test('a month of nothing behind one attempt is learned from in no time', () => {
  const firstMs = SLOT - 33 * 24 * HOUR_MS;
  const { history } = {
    history: flow(
      Array.from({ length: 36 }, (_, at) => ({ at, attempts: 60 })),
      SLOT - 3 * HOUR_MS,
    ),
  };
  const nothing = { attempts: 0, failed: 0, durations: new Uint8Array(0), medianMs: NaN, valueMinor: 0 };
  const sparse = (startMs: number) => history(startMs) ?? nothing;
  const begun = performance.now();
  for (let i = 0; i < 20; i++)
    expect(learnNormal(sparse, { firstMs, slotMs: SLOT, ownersLimitMs: undefined, kinds: dayKinds() }).basis).toBe(
      'history',
    );
  // A tenth of a second each would be a minute for the half hours of a month; the square of the month was seconds each.
  expect(performance.now() - begun).toBeLessThan(2_000);
});

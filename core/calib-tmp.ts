import { forecast, type Tally } from './src/promises/index';
import { poissonDeviate, seededRandom } from './src/stats/index';
const H = 3600000,
  D = 24 * H;
export function world(seed: number) {
  const r = seededRandom(seed);
  const volume = 20 + r() * 200,
    growth = (r() - 0.5) * 0.01,
    base = 0.001 + r() * 0.006,
    rate = 0.03 + r() * 0.2;
  const startMs = Date.UTC(2026, 0, 5);
  const hours = new Map<number, Tally>();
  const incidents: [number, number, number][] = [];
  for (let d = 0; d < 58; d++)
    if (r() < rate) {
      const at = startMs + d * D + r() * D;
      incidents.push([at, at + (0.5 + r() * 5) * H, 0.05 + r() * 0.5]);
    }
  for (let h = 0; h < 58 * 24; h++) {
    const at = startMs + h * H;
    const hod = h % 24;
    const dow = Math.floor(h / 24) % 7;
    const mean = volume * (0.3 + Math.sin((Math.PI * hod) / 24) ** 2) * (dow >= 5 ? 0.5 : 1) * (1 + (growth * h) / 24);
    const valid = poissonDeviate(r, mean);
    let bad = 0;
    let p = base;
    for (const [a, b, s] of incidents) {
      const o = Math.min(b, at + H) - Math.max(a, at);
      if (o > 0) p += (s * o) / H;
    }
    p = Math.min(1, p);
    bad = Math.min(valid, poissonDeviate(r, valid * p));
    hours.set(at, { valid, good: valid - bad });
  }
  return { hours, startMs, incidents };
}
let low = 0,
  high = 0,
  cover = 0,
  cover80 = 0,
  n = 0;
const bins = Array.from({ length: 10 }, () => [0, 0, 0]);
let brier = 0,
  brierNaive = 0,
  brierLast = 0;
const t0 = Date.now();
for (let s = 1; s <= 600; s++) {
  const { hours, startMs } = world(s);
  const r = seededRandom(s + 9999);
  const periodFrom = startMs + 28 * D,
    end = periodFrom + 30 * D,
    now = periodFrom + (2 + r() * 25) * D;
  const past = new Map([...hours].filter(([at]) => at + H <= now));
  let so = { valid: 0, good: 0 },
    all = { valid: 0, good: 0 },
    last = { valid: 0, good: 0 };
  for (const [at, t] of hours) {
    if (at >= periodFrom && at < end) {
      all.valid += t.valid;
      all.good += t.good;
      if (at + H <= now) {
        so.valid += t.valid;
        so.good += t.good;
      }
    }
    if (at < periodFrom) {
      last.valid += t.valid;
      last.good += t.good;
    }
  }
  const target = [0.98, 0.985, 0.99, 0.995][s % 4];
  const nowH = Math.floor(now / H) * H;
  const f = forecast({
    target,
    penalties: [],
    endMs: end,
    nowMs: nowH,
    soFar: so,
    past,
    isCounted: () => true,
    isOff: (t) => {
      const w = (Math.floor(t / D) + 4) % 7;
      return w === 0 || w === 6;
    },
    seed: s,
  })!;
  const truth = all.good / all.valid;
  n++;
  if (truth >= f.share[0] && truth <= f.share[4]) cover++;
  else if (truth < f.share[0]) low++;
  else high++;
  if (truth >= f.share[1] && truth <= f.share[3]) cover80++;
  const broke = truth < target ? 1 : 0;
  const b = Math.min(9, Math.floor(f.chanceOfBreaking * 10));
  bins[b][0]++;
  bins[b][1] += broke;
  bins[b][2] += f.chanceOfBreaking;
  brier += (f.chanceOfBreaking - broke) ** 2;
  brierLast += ((last.good / last.valid < target ? 1 : 0) - broke) ** 2;
}
console.log({ low, high });
console.log(
  'cover95',
  cover / n,
  'cover80',
  cover80 / n,
  'brier',
  brier / n,
  'last month',
  brierLast / n,
  Date.now() - t0,
  'ms',
);
console.log(
  bins.map(([a, b, c], i) => `${i}: n=${a} told=${(c / a).toFixed(2)} broke=${(b / a).toFixed(2)}`).join('\n'),
);
